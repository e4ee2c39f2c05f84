/** A reference that breaks, where it is too long for its line, between its parts and not within a name. */
import { Fragment } from 'react';

export const Ref = ({ text }: { text: string }) =>
  text.split(/(?<=[/>:.])/).map((part, at) => (
    <Fragment key={at}>
      {at > 0 && <wbr />}
      {part}
    </Fragment>
  ));
