import { react, type RulePages } from './page';

const HANDLE = `import { forwardRef, useImperativeHandle, useRef } from 'react';
const Track = forwardRef(function Track(_props: {}, ref) {
  useImperativeHandle(ref, () => ({ rewind() {} }));
  return <i />;
});
`;

export const REF_PAGES: RulePages = {
  'ref/unknown-member': {
    means: 'Through a handle, a member is used that the component does not make public.',
    costs: 'The call throws, when somebody clicks and not before.',
    sure: 'What the component makes public must be written out.',
    examples: [
      react(
        HANDLE +
          `export function Deck() {
  const track = useRef<any>(null);
  return <><Track ref={track} /><button onClick={() => track.current?.rewnid()}>Back</button></>;
}`,
        HANDLE +
          `export function Deck() {
  const track = useRef<any>(null);
  return <><Track ref={track} /><button onClick={() => track.current?.rewind()}>Back</button></>;
}`,
      ),
    ],
  },
  'ref/not-forwarded': {
    means: 'A handle is asked for at a component that gives none.',
    costs: 'It stays empty, and every use of it does nothing or throws.',
    sure: 'The version of the framework decides what takes a ref; without one in the nearest package.json nothing is said.',
    examples: [
      {
        language: 'react',
        before: {
          'package.json': '{ "dependencies": { "react": "^18.2.0" } }',
          'Deck.tsx': `import { useRef } from 'react';
export function Deck() {
  const track = useRef<HTMLElement>(null);
  return <><Track ref={track} /><button onClick={() => track.current?.focus()}>Go</button></>;
}
function Track() { return <i />; }`,
        },
        after: {
          'Deck.tsx': `import { forwardRef, useRef } from 'react';
export function Deck() {
  const track = useRef<HTMLElement>(null);
  return <><Track ref={track} /><button onClick={() => track.current?.focus()}>Go</button></>;
}
const Track = forwardRef<HTMLElement>(function Track(_props, ref) { return <i ref={ref} />; });`,
        },
      },
    ],
  },
  'ref/unattached': {
    means:
      'A handle is made for an element or a component, and put on none; or it is put on what goes by a name that nothing on the tag has.',
    costs: 'It is empty for ever: what uses it does nothing.',
    sure: 'Boxes that hold values and never claim to be handles are left alone, and handles of a base class, which whoever extends it may put on something.',
    examples: [
      react(
        `import { useEffect, useRef } from 'react';
export function Deck() {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  return <input />;
}`,
        `import { useEffect, useRef } from 'react';
export function Deck() {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  return <input ref={field} />;
}`,
      ),
    ],
  },
  'ref/unread': {
    means: 'A handle is attached, and nobody reads it.',
    costs: 'It looks as if somebody reached for the element.',
    sure: 'A handle that is handed on counts as read.',
    examples: [
      react(
        `import { useRef } from 'react';
export function Deck() {
  const field = useRef<HTMLInputElement>(null);
  return <input ref={field} />;
}`,
        `import { useRef } from 'react';
export function Deck() {
  const field = useRef<HTMLInputElement>(null);
  return <input ref={field} onClick={() => field.current?.select()} />;
}`,
      ),
    ],
  },
  'ref/early-read': {
    means: 'A handle is read while rendering, when nothing is attached yet.',
    costs: 'The first render throws, or shows an old state later on.',
    sure: 'A check, a default and “?.” guard it.',
    examples: [
      react(
        `import { useRef } from 'react';
export function Deck() {
  const field = useRef<HTMLInputElement>(null);
  const length = field.current.value.length;
  return <><input ref={field} />{length}</>;
}`,
        `import { useRef, useState } from 'react';
export function Deck() {
  const field = useRef<HTMLInputElement>(null);
  const [length, setLength] = useState(0);
  return <><input ref={field} onInput={() => setLength(field.current.value.length)} />{length}</>;
}`,
      ),
    ],
  },
  'ref/reach-through': {
    means: 'A chain of handles or parent links reaches over the head of a component to one further away.',
    costs: 'The component between cannot be changed without breaking code that it has never heard of.',
    sure: 'Each link of the chain must be seen.',
    examples: [
      {
        language: 'vue',
        before: {
          'Gauge.vue': `<script>
export default {
  methods: { reset() { this.$parent.$parent.wind = 0; } },
};
</script>
<template><button @click="reset">0</button></template>`,
        },
        after: {
          'Gauge.vue': `<script>
export default {
  emits: ['reset'],
  methods: { reset() { this.$emit('reset'); } },
};
</script>
<template><button @click="reset">0</button></template>`,
        },
      },
    ],
  },
};
