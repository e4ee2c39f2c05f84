export function OilLevel({ level }) {
  function level() {
    return 'low';
  }
  return <meter value={level} max={10} />;
}
