import { ActionButton } from '../shared/ActionButton';
import { ShiftBadge } from './ShiftBadge';

interface TopBarProps {
  title: string;
  subtitle?: string;
  onToggleLog: () => void;
}

export function TopBar({ title, subtitle, onToggleLog }: TopBarProps) {
  return (
    <header>
      <h1>{title}</h1>
      {subtitle && <p>{subtitle}</p>}
      <ActionButton label="Hold log" onPress={onToggleLog} />
      <ShiftBadge />
    </header>
  );
}
