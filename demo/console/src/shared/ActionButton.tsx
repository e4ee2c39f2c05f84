interface ActionButtonProps {
  label: string;
  onPress: () => void;
}

export function ActionButton({ label, onPress }: ActionButtonProps) {
  return (
    <button type="button" className="action" onClick={onPress}>
      {label}
    </button>
  );
}
