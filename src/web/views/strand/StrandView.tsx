/** One value, hop by hop, in the order that the data flows. */
import { Link, useParams, useSearchParams } from 'react-router';
import type { StrandView as Strand } from '../../../api/schemas';
import { api, reasonOf } from '../../api';
import { HopList } from '../../parts/HopList';
import { placedHops } from '../../parts/hops';
import { MarkIcon } from '../../parts/Mark';
import { Empty, Failed, Waiting } from '../../parts/states';
import { StrandMap } from './StrandMap';

export function StrandView() {
  const { id = '' } = useParams();
  const [search, setSearch] = useSearchParams();
  const ref = search.get('ref') ?? '';
  const chosen = search.get('hop') ?? ref;
  const { data: strand, error, isLoading, refetch } = api.useStrandQuery({ id, ref }, { skip: !ref });
  if (!ref) return <Empty>Choose a port: press / and type its name.</Empty>;
  if (isLoading) return <Waiting what="the strand" />;
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (!strand) return null;

  const choose = (hop: string) => {
    setSearch({ ref, hop }, { replace: true });
    document
      .querySelector(`[data-hop="${CSS.escape(hop)}"]`)
      ?.scrollIntoView({ block: 'nearest', behavior: 'smooth' });
  };
  return (
    <div className="grid h-full grid-cols-[minmax(22rem,2fr)_3fr] grid-rows-[minmax(0,1fr)]">
      <section className="overflow-auto border-r border-line px-5 py-4" aria-label="The strand as a drawing">
        <h1 className="text-[15px] font-semibold break-all">{ref}</h1>
        <Ends project={id} strand={strand} />
        <StrandMap strand={strand} chosen={chosen} onChoose={choose} />
        <p className="mt-4">
          <Link
            className="underline"
            to={`/p/${id}/rigging?pin=${encodeURIComponent(ref)}&strand=${encodeURIComponent(ref)}`}
          >
            Show it on the rigging
          </Link>
        </p>
      </section>
      <section className="overflow-y-auto bg-sheet px-4 py-3" aria-label="Hops with code">
        <HopList project={id} hops={placedHops([strand])} chosen={chosen} most={3} onChoose={choose} />
      </section>
    </div>
  );
}

/** Where the value comes from and where it ends. */
function Ends({ project, strand }: { project: string; strand: Strand }) {
  const list = (title: string, refs: string[]) => (
    <>
      <dt className="text-soft">{title}</dt>
      <dd className="mb-1">
        {refs.slice(0, 8).map((one) => {
          const hop = strand.hops.find((other) => other.ref === one);
          return (
            <Link
              key={one}
              to={`/p/${project}/strand?ref=${encodeURIComponent(one)}`}
              className="flex items-center gap-1.5 hover:underline"
            >
              {hop && <MarkIcon role={hop.role} channel={hop.channel} />} {one}
            </Link>
          );
        })}
        {refs.length > 8 && <span className="text-faint">and {refs.length - 8} more</span>}
      </dd>
    </>
  );
  return (
    <dl className="my-3 grid grid-cols-[5.5rem_1fr]">
      {list('Comes from', strand.origins)}
      {list('Ends in', strand.ends)}
    </dl>
  );
}
