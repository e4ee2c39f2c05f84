import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { cases } from './testing';

/** A sheet with a root, and the components that are written. */
const sheet = (components: string, more = '') => ({
  'kiosk.rope.yaml': `roots: [Kiosk]\n${more}components:\n${components.replace(/^\n/, '').replace(/\s+$/, '')}\n`,
});
/** What raises an event by itself. */
const TAP = `
  Tap:
    raises: { tap: ~ }
    keeps: { down: { starts: false } }
    offers: { go: [{ set: down, to: true }, { raise: tap }] }
    tree: [{ text: $down }]`;

describe('properties', () => {
  cases(/^(prop|template)\//, [
    [
      'what is required and left out, and what is not taken',
      sheet(`
  Kiosk:
    tree:
      - use: Fare
        with: { labell: Single }
  Fare:
    takes: { amount: number, label: { type: text, default: Fare }, note: { type: text, required: false } }
    tree: [{ text: { mix: [$amount, $label, $note] } }]`),
      [
        'error prop/missing kiosk.rope.yaml:5 Fare',
        'error prop/unknown kiosk.rope.yaml:6 labell',
        'warning prop/never-passed kiosk.rope.yaml:8 note',
      ],
    ],
    [
      'types: words, values, lists, fields; text where a number is asked for',
      sheet(`
  Kiosk:
    keeps: { n: { type: number, starts: 3 }, names: { type: { list: text }, starts: [] } }
    tree:
      - { use: Fare, with: { amount: '3', kind: both, cabins: $names, at: $n } }
      - { use: Fare, with: { amount: $n, kind: single, cabins: [], at: { mix: [$n] } } }
  Fare:
    takes: { amount: number, kind: [single, return], cabins: { list: number }, at: { fields: { day: text } } }
    tree: [{ text: { mix: [$amount, $kind, $cabins, $at] } }]`),
      [
        'error prop/type-clash kiosk.rope.yaml:6 amount',
        'error prop/type-clash kiosk.rope.yaml:6 kind',
        'error prop/type-clash kiosk.rope.yaml:6 cabins',
        'error prop/type-clash kiosk.rope.yaml:6 at',
      ],
    ],
    [
      'what nobody reads; what is only handed on; a default of another type',
      sheet(`
  Kiosk:
    keeps: { unit: { type: text, starts: kn } }
    tree: [{ use: Panel, with: { unit: $unit, spare: 3 } }]
  Panel:
    takes: { unit: text, spare: number }
    tree: [{ use: Row, with: { unit: $unit } }]
  Row:
    takes: { unit: text, wide: { type: boolean, default: 'no' } }
    tree: [{ use: Gauge, with: { unit: $unit } }, { text: $wide }]
  Gauge:
    takes: { unit: text }
    tree: [{ text: $unit }]`),
      [
        'warning prop/drilled kiosk.rope.yaml:7 unit',
        'warning prop/unread kiosk.rope.yaml:7 spare',
        'note prop/never-passed kiosk.rope.yaml:10 wide',
        "error prop/default-clash kiosk.rope.yaml:10 'no'",
      ],
    ],
    [
      'its own property is set; a state that starts from one',
      sheet(`
  Kiosk:
    keeps: { n: { starts: 1 } }
    tree: [{ use: Fare, with: { amount: $n, first: $n } }, { use: Tap, on: { tap: [{ set: n, to: 2 }] } }]
  Fare:
    takes: { amount: number, first: number }
    keeps: { shown: { starts: $first } }
    tree: [{ text: { mix: [$amount, $shown] } }, { use: Tap, on: { tap: [{ set: amount, to: 3 }] } }]${TAP}`),
      ['note prop/stale-copy kiosk.rope.yaml:8 shown', 'error prop/overwritten kiosk.rope.yaml:9 amount'],
    ],
    [
      'names that nothing bears, in a list and outside of it',
      sheet(`
  Kiosk:
    keeps: { cabins: { type: { list: text }, starts: [] } }
    tree:
      - { text: $cabin }
      - { each: { cabin: $cabins }, text: $cabin }
      - { if: $cabbins, text: a }`),
      [
        'error template/unknown-name kiosk.rope.yaml:6 $cabin',
        'error template/unknown-name kiosk.rope.yaml:8 $cabbins',
      ],
    ],
  ]);
});

describe('events', () => {
  cases(/^event\//, [
    [
      'nobody listens; a name that is never raised; what is declared and not raised',
      sheet(`
  Kiosk:
    tree: [{ use: Tap }, { use: Door, on: { opend: [{ call: none.at }] } }]
  Door:
    raises: { opened: ~, shut: ~ }
    offers: { open: [{ raise: opened }] }${TAP}`),
      [
        'error event/unknown kiosk.rope.yaml:4 opend',
        'warning event/never-emitted kiosk.rope.yaml:6 shut',
        'warning event/unheard kiosk.rope.yaml:9 tap',
      ],
    ],
    [
      'a path that breaks in the middle',
      sheet(`
  Kiosk:
    keeps: { held: { starts: false } }
    tree: [{ text: $held }, { use: Queue, on: { hold: [{ set: held, to: true }] } }]
  Queue:
    raises: { hold: ~ }
    tree: [{ use: Door }]
  Door:
    raises: { hold: ~ }
    offers: { go: [{ raise: hold }] }`),
      ['error event/broken-path kiosk.rope.yaml:7 hold'],
    ],
    [
      'what an event carries, and what it may carry',
      sheet(`
  Kiosk:
    keeps: { n: { type: number, starts: 0 } }
    tree: [{ text: $n }, { use: Door, on: { hold: [{ set: n, to: $event }] } }]
  Door:
    raises: { hold: number }
    offers: { go: [{ raise: hold, with: three }], stop: [{ raise: hold, with: 3 }] }`),
      ['error event/payload-clash kiosk.rope.yaml:8 hold'],
    ],
    [
      'handed up twice as it is, and once with something done to it',
      sheet(`
  Kiosk:
    keeps: { n: { type: number, starts: 0 } }
    tree: [{ text: $n }, { use: Group, on: { pick: [{ set: n, to: $event }] } }]
  Group:
    raises: { pick: number }
    tree: [{ use: Row, on: { pick: [{ raise: pick, with: $event }] } }]
  Row:
    raises: { pick: number }
    tree: [{ use: Cell, on: { pick: [{ raise: pick, with: $event }] } }]
  Cell:
    raises: { pick: number }
    tree: [{ use: Key, on: { press: [{ raise: pick, with: 3 }] } }]
  Key:
    raises: { press: ~ }
    offers: { go: [{ raise: press }] }`),
      ['warning event/relayed kiosk.rope.yaml:11 [{ raise: pick, with: $event }]'],
    ],
    [
      'bound both ways, the change is heard',
      sheet(`
  Kiosk:
    keeps: { n: { starts: 0 } }
    tree: [{ use: Field, both: { value: $n } }]
  Field:
    takes: { value: number }
    raises: { value-changed: number }
    offers: { up: [{ raise: value-changed, with: 3 }] }
    tree: [{ text: $value }]`),
      [],
    ],
  ]);
});

describe('context, slots and handles', () => {
  cases(/^(context|slot|ref)\//, [
    [
      'a key that nobody above provides; one that does without; one that nobody reads',
      sheet(`
  Kiosk:
    provides: { unit: kn, spare: 1 }
    tree: [{ use: Gauge }]
  Gauge:
    consumes: { unit: { type: text }, shift: {}, mode: { missing: ok } }
    tree: [{ text: { mix: [$unit, $shift, $mode] } }]`),
      ['warning context/unread kiosk.rope.yaml:4 spare', 'error context/no-provider kiosk.rope.yaml:7 shift'],
    ],
    [
      'content for a slot that is not there, and for none at all; a slot that nobody fills; what a slot gives',
      sheet(`
  Kiosk:
    tree:
      - { use: Card, fill: { foot: [{ text: a }], row: { gives: [cabin, seats], tree: [{ text: { mix: [$cabin, $seats] } }] } } }
      - { use: Line, inside: [{ text: a }] }
  Card:
    keeps: { cabin: { starts: A1 } }
    tree: [{ slot: footer }, { slot: row, with: { cabin: $cabin } }, { slot: head, else: [{ text: none }] }]
  Line:
    tree: [{ text: a }]`),
      [
        'error slot/unknown kiosk.rope.yaml:5 foot',
        'error slot/prop-unknown kiosk.rope.yaml:5 seats',
        'error slot/no-outlet kiosk.rope.yaml:6 Line',
        'note slot/unfilled kiosk.rope.yaml:9 { slot: footer }',
      ],
    ],
    [
      'through a handle, what is not offered; a handle that holds nothing; one that nobody asks',
      sheet(`
  Kiosk:
    handles: [tap, spare, idle]
    tree:
      - { use: Tap, handle: tap, on: { tap: [{ call: tap.back }, { call: tap.go }] } }
      - { use: Tap, handle: idle, on: { tap: [{ call: spare.go }] } }${TAP}`),
      [
        'warning ref/unattached kiosk.rope.yaml:4 spare',
        'note ref/unread kiosk.rope.yaml:4 idle',
        'error ref/unknown-member kiosk.rope.yaml:6 back',
      ],
    ],
  ]);
});

describe('instances in two places', () => {
  cases(/^portal\//, [
    [
      'under the same condition both are there at once',
      sheet(`
  Kiosk:
    keeps: { open: { starts: false } }
    tree:
      - use: Post
        inside: [{ if: $open, use: Tap }]
      - use: Mast
        inside: [{ if: $open, use: Tap }]
  Post:
    tree: [{ slot: ~ }]
  Mast:
    tree: [{ slot: ~ }]${TAP}`),
      [],
    ],
  ]);
});

describe('components and files', () => {
  cases(/^(component|prop|state)\//, [
    [
      'a component that is nowhere; one that nobody uses; one of another sheet',
      {
        ...sheet(
          `
  Kiosk:
    tree: [{ use: Gauge, with: { wind: kn } }, { use: Lamp }]
  Spare:
    tree: [{ text: a }]`,
          'uses: { Gauge: ./gauge.rope.json }\n',
        ),
        'gauge.rope.json':
          '{ "components": { "Gauge": { "takes": { "wind": "number" }, "tree": [{ "text": "$wind" }] } } }',
      },
      [
        'error prop/type-clash kiosk.rope.yaml:5 wind',
        'error component/unresolved kiosk.rope.yaml:5 Lamp',
        'note component/unused kiosk.rope.yaml:6 Spare',
      ],
    ],
    [
      'a component of code in a sheet, and a reason to be silent',
      {
        ...sheet(
          `
  Kiosk:
    tree:
      - { use: Gauge, with: { wind: 3 } }
      # zinc-rope-ignore prop/missing: it is a sketch
      - { use: Gauge }`,
          'uses: { Gauge: ./Gauge.vue }\n',
        ),
        'Gauge.vue':
          '<script setup lang="ts">defineProps<{ wind: number }>();</script><template><b>{{ wind }}</b></template>',
      },
      ['silenced prop/missing kiosk.rope.yaml:8 Gauge'],
    ],
  ]);
});

describe('what a component does of itself, and what an instance says of another', () => {
  cases(/^(prop|event|state|ref|template|slot)\//, [
    [
      'events that come of itself; some value of a type; fields',
      sheet(`
  Kiosk:
    keeps: { n: { type: number, starts: 0 } }
    tree:
      - { use: Door, with: { at: { fields: { day: noon, hour: { some: number } } } }, on: { opened: [{ set: n, to: $event }] } }
      - { use: Door, with: { at: { fields: { day: 3 } } }, on: { opened: [{ set: n, to: { some: text } }] } }
      - { text: $n }
  Door:
    takes: { at: { fields: { day: text } } }
    raises: { opened: number }
    does: [{ raise: opened, with: { some: text } }]
    tree: [{ text: $at.day }]`),
      ['error prop/type-clash kiosk.rope.yaml:7 at', 'error event/payload-clash kiosk.rope.yaml:12 opened'],
    ],
    [
      'a property of an instance within: of the right type, of another, of a part and a property that are not there',
      sheet(`
  Kiosk:
    tree:
      - { use: Gauge }
      - { use: Gauge, override: { dial: { size: 4 } } }
      - { use: Gauge, override: { dial: { size: big } } }
      - { use: Gauge, override: { Lamp: { on: true }, dial: { wide: 3 } } }
  Gauge:
    handles: [dial]
    does: [{ call: dial.turn }]
    tree: [{ use: Dial, handle: dial, with: { size: 2 } }]
  Dial:
    takes: { size: number }
    offers: { turn: [{ set: by, to: 1 }] }
    keeps: { by: { type: number, starts: 0 } }
    tree: [{ text: { mix: [$size, $by] } }]`),
      [
        'error prop/type-clash kiosk.rope.yaml:7 size',
        'error prop/unknown kiosk.rope.yaml:8 on',
        'error prop/unknown kiosk.rope.yaml:8 wide',
      ],
    ],
    [
      'a value that is read through a handle, and one that is not offered',
      sheet(`
  Kiosk:
    handles: [door]
    tree: [{ use: Door, handle: door }, { text: { mix: [$door.width, $door.height] } }]
  Door:
    keeps: { w: { type: number, starts: 3 } }
    does: [{ set: w, to: 4 }]
    offers: { width: $w }`),
      ['error ref/unknown-member kiosk.rope.yaml:5 height'],
    ],
    [
      'shared values are worked out of each other, in any order; a root is given something',
      {
        'kiosk.rope.yaml': `roots: [{ use: Kiosk, with: { wind: $shared.twice, unit: 3 } }]
shared: { twice: { from: [$shared.wind], type: number }, wind: { type: number, starts: 1 } }
components:
  Kiosk:
    takes: { wind: text, unit: text }
    does: [{ set: shared.wind, to: 3 }]
    tree: [{ text: { mix: [$wind, $unit] } }]
`,
      },
      ['error prop/type-clash kiosk.rope.yaml:1 wind', 'error prop/type-clash kiosk.rope.yaml:1 unit'],
    ],
  ]);
});

test('an override of what another file says is told', () => {
  const { problems } = auditSources({
    ...sheet(
      `
  Kiosk:
    tree: [{ use: Gauge, override: { dial: { size: 4 } } }]`,
      'uses: { Gauge: ./gauge.rope.yaml }\n',
    ),
    'gauge.rope.yaml': 'components:\n  Gauge: {}\n',
  }).result;
  expect(problems.map((one) => `${one.line} ${one.message}`)).toEqual([
    '5 dial in Gauge cannot be overridden from here: only components of the same sheet can be looked into',
  ]);
});

test('what is provided for the whole sheet reaches every component in its trees', () => {
  const audit = auditSources(
    sheet(
      `
  Kiosk:
    tree: [{ use: Gauge }]
  Gauge:
    consumes: { unit: {} }
    tree: [{ text: $unit }]`,
      'shared: { unit: { starts: kn } }\nprovides: { unit: $shared.unit }\n',
    ),
  );
  expect(audit.result.findings).toEqual([]);
  const trace = audit.trace('Gauge:context:unit');
  expect('hops' in trace && trace.hops.map((one) => one.name)).toContain('unit');
  expect('origins' in trace && trace.origins).toEqual(['kiosk.rope.yaml>Sheet:state:unit']);
});

test.each<[string, string, number, RegExp]>([
  [
    'a key that is misspelled',
    'components:\n  Fare:\n    taeks: {}\n',
    3,
    /there is no key taeks here; is takes meant\?/,
  ],
  [
    'a node that is none',
    'components:\n  Fare:\n    tree:\n      - txt: a\n',
    4,
    /there is no key txt here; is text meant\?/,
  ],
  [
    'a node that says nothing',
    'components:\n  Fare:\n    tree: [{ if: true }]\n',
    3,
    /needs one of use, slot, text, group/,
  ],
  ['a name that cannot be one', 'components:\n  fare: {}\n', 2, /capital letter/],
  [
    'a type that is none',
    'components:\n  Fare:\n    takes: { a: string }\n',
    3,
    /none of what may stand here|one of/,
  ],
  ['what is no YAML', 'components: [\n', 2, /must be/],
  ['the same name twice', 'components:\n  Fare: {}\n  Fare: {}\n', 3, /unique/],
  ['an alias', 'sheet: &a b\ncomponents: *a\n', 1, /anchors and aliases are not read/],
  ['nothing', '', 1, /the sheet/],
])('what is wrong with a sheet is told by its place: %s', (_, text, line, message) => {
  const { problems } = auditSources({ 'fare.rope.yaml': text }).result;
  expect(problems[0]).toMatchObject({ path: 'fare.rope.yaml', line });
  expect(problems[0]!.message).toMatch(message);
});

test('what is wrong in one component leaves the others', () => {
  const { result } = auditSources(
    sheet(`
  Kiosk:
    tree: [{ use: Fare }]
    colour: red
  Fare:
    takes: { amount: number }
    tree: [{ text: $amount }]`),
  );
  expect(result.problems).toHaveLength(1);
  expect(result.findings.map((one) => one.rule)).toEqual(['prop/missing']);
});

test('strands run through states, events, shared state and slots', () => {
  const audit = auditSources(
    sheet(
      `
  Kiosk:
    keeps: { fare: { type: number, starts: 3 } }
    tree:
      - { use: Fare, with: { amount: $fare }, on: { chosen: [{ set: fare, to: $event }, { set: shared.held, to: true }] } }
      - { use: Lamp }
  Fare:
    takes: { amount: number }
    raises: { chosen: number }
    tree: [{ text: $amount }, { use: Tap, on: { tap: [{ raise: chosen, with: $amount }] } }]
  Lamp:
    tree: [{ text: $shared.held }]${TAP}`,
      'shared: { held: { starts: false } }\n',
    ),
  );
  const strand = (ref: string) => {
    const trace = audit.trace(ref);
    if ('similar' in trace) throw new Error(trace.similar.join());
    return trace;
  };
  expect(strand('Fare:prop:amount').hops.map((one) => `${one.ref} ${one.role}`)).toContain(
    'Kiosk:state:fare listen',
  );
  expect(strand('Fare:event:chosen').hops.map((one) => one.ref)).toEqual(
    expect.arrayContaining(['Fare:event:chosen', 'Kiosk:state:fare', 'Fare:prop:amount']),
  );
  const held = strand('kiosk.rope.yaml>Sheet:state:held');
  expect(held.hops.map((one) => one.ref)).toContain('Fare:event:chosen');
  expect(held.hops.find((one) => one.ref.endsWith(':held'))!.reads).toHaveLength(1);
});
