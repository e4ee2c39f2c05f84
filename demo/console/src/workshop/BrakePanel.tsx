import { forwardRef, useImperativeHandle, useRef } from 'react';

export interface BrakeHandle {
  release(): void;
  dial(): HTMLOutputElement | null;
}

export const BrakePanel = forwardRef<BrakeHandle, { pressure: number }>(function BrakePanel({ pressure }, ref) {
  const dial = useRef<HTMLOutputElement>(null);
  useImperativeHandle(ref, () => ({
    release() {
      dial.current?.setAttribute('data-open', '');
    },
    dial: () => dial.current,
  }));
  return (
    <output ref={dial} tabIndex={-1}>
      {pressure} bar
    </output>
  );
});
