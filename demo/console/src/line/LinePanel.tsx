import type { Cabin, Pylon, WindUnit } from '../model';
import { Panel } from '../shared/Panel';
import { CabinTrack } from './CabinTrack';
import { PylonList } from './PylonList';
import { UnitSwitch } from './UnitSwitch';

interface LinePanelProps {
  cabins: Cabin[];
  pylons: Pylon[];
  windUnit: WindUnit;
  stormLimit: number;
  onUnitChange: (unit: WindUnit) => void;
}

export function LinePanel({ cabins, pylons, windUnit, stormLimit, onUnitChange }: LinePanelProps) {
  return (
    <Panel title="Line" tone="plain">
      <UnitSwitch value={windUnit} onChange={onUnitChange} />
      <PylonList pylons={pylons} unit={windUnit} limit={stormLimit} />
      <CabinTrack cabins={cabins} length="940" />
    </Panel>
  );
}
