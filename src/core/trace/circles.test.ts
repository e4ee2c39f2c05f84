import { expect, test } from 'vitest';
import { circleEnds } from './circles';

type Hops = Parameters<typeof circleEnds>[0];
const hop = (ref: string, channel: Hops[number]['channel'], role: Hops[number]['role'] = 'pass') => ({
  ref,
  channel,
  role,
});
const route = (text: string) => {
  const [from, how, to] = text.split(' ') as [string, string, string];
  return { from, how, to };
};

test.each<[what: string, hops: Hops, routes: string[], origins: string[], ends: string[]]>([
  [
    'a binding both ways: what is kept is first, what is read is last',
    [hop('App:kept', 'state'), hop('Field:text', 'prop', 'read'), hop('Field:set', 'event', 'emit')],
    ['App:kept pass Field:text', 'Field:text emit Field:set', 'Field:set write App:kept'],
    ['App:kept'],
    ['Field:text'],
  ],
  [
    'a circle that something comes into',
    [hop('Top:x', 'prop'), hop('App:kept', 'state'), hop('Field:text', 'prop')],
    ['Top:x write App:kept', 'App:kept pass Field:text', 'Field:text write App:kept'],
    [],
    ['App:kept', 'Field:text'],
  ],
  [
    'a circle that something leaves',
    [hop('App:kept', 'local'), hop('Field:text', 'prop'), hop('Sign:text', 'prop', 'read')],
    ['App:kept pass Field:text', 'Field:text write App:kept', 'App:kept pass Sign:text'],
    ['App:kept'],
    [],
  ],
  ['no circle', [hop('A:x', 'state'), hop('B:x', 'prop')], ['A:x pass B:x'], [], []],
  [
    'a break closes none',
    [hop('A:x', 'event'), hop('B:x', 'event')],
    ['A:x emit B:x', 'B:x break A:x'],
    [],
    [],
  ],
])('%s', (_, hops, routes, origins, ends) => {
  expect(circleEnds(hops, routes.map(route))).toEqual({ origins, ends });
});
