import { useContext } from 'react';
import type { Hold } from '../model';
import { ShiftContext } from '../shift-context';

export function HoldLog({ holds }: { holds: Hold[] }) {
  const shift = useContext(ShiftContext);
  const long = holds.length > 20;
  return (
    <table>
      <caption>Holds in the shift of {shift?.lead}</caption>
      <tbody>
        {holds.map((hold) => (
          <tr key={hold.cabinId}>
            <td>{hold.cabinId}</td>
            <td>{hold.reason}</td>
          </tr>
        ))}
      </tbody>
      {long && <LogPager pages={Math.ceil(holds.length / 20)} />}
    </table>
  );
}
