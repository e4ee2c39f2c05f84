export function StormBanner({ until }: { until: string }) {
  return <p role="status">Line stopped until {until}</p>;
}
