import { useRef, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { bench, type Job } from './bench';
import { BrakePanel, type BrakeHandle } from './BrakePanel';
import { BoardFrame } from './BoardFrame';
import { LampTest } from './LampTest';
import { OilLevel } from './OilLevel';
import { PrintSheet } from './PrintSheet';
import { RopeForm } from './RopeForm';
import { RopeRuler } from './RopeRuler';
import { StockBoard } from './StockBoard';
import { ToolShelf } from './ToolShelf';

interface Props {
  jobs: Job[];
}

export function Workshop({ jobs }: Props) {
  const [done, setDone] = useState<string[]>([]);
  const brake = useRef<BrakeHandle>(null);
  const form = useRef<HTMLFormElement>(null);
  bench.mode = 'planning';

  const stop = () => {
    brake.current?.relese();
    brake.current?.dial()?.focus();
  };
  const print = () => {
    const sheet = document.createElement('div');
    document.body.append(sheet);
    createRoot(sheet).render(<PrintSheet title="Jobs" />);
  };

  return (
    <section className="workshop">
      <BrakePanel ref={brake} pressure={6} />
      <button onClick={stop}>Let the brake go</button>
      <button onClick={print}>Print</button>
      <button onClick={() => form.current?.reset()}>Clear the form</button>
      <RopeForm ref={form} length={820} />
      <RopeRuler metres={820} />
      <OilLevel level={done.length} />
      <LampTest label="Mast lamps" />
      <StockBoard>
        <StockBoard.Row kind="bolts" count={12} />
        <StockBoard.Row kind="grease" count={3} />
        <StockBoard.Total />
      </StockBoard>
      <ToolShelf tools={['wrench', 'grease gun']} />
      <BoardFrame jobs={jobs} notes={<em>Mind the wind.</em>} onDone={(id) => setDone([...done, id])} />
    </section>
  );
}
