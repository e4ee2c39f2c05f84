interface NoticeCardProps {
  text: string;
  urgent?: boolean;
  onDismiss?: () => void;
}

export function NoticeCard({ text, urgent = false, onDismiss }: NoticeCardProps) {
  return (
    <aside className={urgent ? 'notice urgent' : 'notice'}>
      {text}
      <button type="button" onClick={() => onDismiss?.()}>
        Put away
      </button>
    </aside>
  );
}
