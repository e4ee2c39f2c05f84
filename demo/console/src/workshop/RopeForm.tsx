import { useState } from 'react';
import { ReasonField } from './ReasonField';

export function RopeForm({ length }: { length: number }) {
  const [reason, setReason] = useState('');
  return (
    <form>
      <input name="length" defaultValue={length} />
      <ReasonField value={reason} onChange={setReason} />
    </form>
  );
}
