import { useMemo, useState, type ReactNode } from 'react';
import { makeContext } from '../shared/make-context';

interface Stock {
  taken: number;
  take(count: number): void;
}

const [StockProvider, useStock] = makeContext<Stock>('The stock');

function Bolts({ count }: { count: number }) {
  return <b>{count} bolts</b>;
}

function Grease({ count }: { count: number }) {
  return <i>{count} tins of grease</i>;
}

const KINDS = { bolts: Bolts, grease: Grease };

function StockRow({ kind, count }: { kind: keyof typeof KINDS; count: number }) {
  const { take } = useStock();
  const Kind = KINDS[kind];
  return (
    <li>
      <Kind count={count} />
      <TakeButton onTake={() => take(count)} />
    </li>
  );
}

function TakeButton({ onTake }: { onTake(): void }) {
  return <button onClick={onTake}>Take</button>;
}

function StockTotal() {
  const { taken } = useStock();
  return <p>{taken} taken today</p>;
}

function StockFrame({ children }: { children: ReactNode }) {
  const [taken, setTaken] = useState(0);
  const stock = useMemo(() => ({ taken, take: (count: number) => setTaken(taken + count) }), [taken]);
  return (
    <StockProvider value={stock}>
      <ul>{children}</ul>
    </StockProvider>
  );
}

export const StockBoard = Object.assign(StockFrame, { Row: StockRow, Total: StockTotal });
