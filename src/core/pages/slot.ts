import { react, type RulePages } from './page';

export const SLOT_PAGES: RulePages = {
  'slot/no-outlet': {
    means: 'Content is nested in a component that places none.',
    costs: 'It is never shown.',
    sure: 'The component must be seen whole: props handed on may place it.',
    examples: [
      react(
        `export function Deck() {
  return <NoticeCard text="Closed"><a href="/timetable">Timetable</a></NoticeCard>;
}
function NoticeCard({ text }: { text: string }) { return <p>{text}</p>; }`,
        `import type { ReactNode } from 'react';
export function Deck() {
  return <NoticeCard text="Closed"><a href="/timetable">Timetable</a></NoticeCard>;
}
function NoticeCard({ text, children }: { text: string; children?: ReactNode }) { return <p>{text}{children}</p>; }`,
      ),
    ],
  },
  'slot/unknown': {
    means: 'Content is given for a slot that the child does not have.',
    costs: 'It is never shown.',
    sure: 'A child that passes slots on by names that are worked out is left alone.',
    examples: [
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup>
import NoticeCard from './NoticeCard.vue';
</script>
<template><NoticeCard><template #foot>Until dusk</template></NoticeCard></template>`,
          'NoticeCard.vue': `<template><article><slot name="footer" /></article></template>`,
        },
        after: {
          'Deck.vue': `<script setup>
import NoticeCard from './NoticeCard.vue';
</script>
<template><NoticeCard><template #footer>Until dusk</template></NoticeCard></template>`,
        },
      },
    ],
  },
  'slot/unfilled': {
    means: 'A slot without a fallback is filled by no call site.',
    costs: 'An empty place that is kept for nobody.',
    sure: 'All call sites must be known.',
    examples: [
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup>
import NoticeCard from './NoticeCard.vue';
</script>
<template><NoticeCard>Closed</NoticeCard></template>`,
          'NoticeCard.vue': `<template><article><slot /><slot name="footer" /></article></template>`,
        },
        after: {
          'Deck.vue': `<script setup>
import NoticeCard from './NoticeCard.vue';
</script>
<template><NoticeCard>Closed<template #footer>Until dusk</template></NoticeCard></template>`,
        },
      },
    ],
  },
  'slot/relayed': {
    means: 'A slot is forwarded through two components or more in a row.',
    costs: 'Each layer must repeat it, and dropping one layer drops the content.',
    sure: 'The content must be handed on as it is.',
    examples: [
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup>
import Page from './Page.vue';
</script>
<template><Page><template #head>Wind</template></Page></template>`,
          'Page.vue': `<script setup>
import Frame from './Frame.vue';
</script>
<template><Frame><template #head><slot name="head" /></template></Frame></template>`,
          'Frame.vue': `<script setup>
import Bar from './Bar.vue';
</script>
<template><Bar><template #head><slot name="head" /></template></Bar></template>`,
          'Bar.vue': `<template><header><slot name="head" /></header></template>`,
        },
        after: {
          'Page.vue': `<template><main><header><slot name="head" /></header></main></template>`,
        },
      },
    ],
  },
  'slot/double-content': {
    means: 'Content is given both as an attribute and nested.',
    costs: 'One of the two is dropped without a word.',
    sure: 'Both must be written at the same call site.',
    examples: [
      react(
        `import type { ReactNode } from 'react';
export function Deck() {
  return <NoticeCard children="Closed">Open</NoticeCard>;
}
function NoticeCard({ children }: { children?: ReactNode }) { return <p>{children}</p>; }`,
        `import type { ReactNode } from 'react';
export function Deck() {
  return <NoticeCard>Open</NoticeCard>;
}
function NoticeCard({ children }: { children?: ReactNode }) { return <p>{children}</p>; }`,
      ),
    ],
  },
  'slot/prop-unknown': {
    means: 'The content uses a parameter that the slot does not give.',
    costs: 'It reads nothing, for each row of the list.',
    sure: 'What the outlet gives must be written out; a spread makes it silent.',
    examples: [
      {
        language: 'vue',
        before: {
          'Deck.vue': `<script setup>
import CabinList from './CabinList.vue';
</script>
<template><CabinList v-slot="{ cabbin }">{{ cabbin }}</CabinList></template>`,
          'CabinList.vue': `<script setup>
const cabins = ['A1', 'A2'];
</script>
<template><p v-for="cabin in cabins"><slot :cabin="cabin" /></p></template>`,
        },
        after: {
          'Deck.vue': `<script setup>
import CabinList from './CabinList.vue';
</script>
<template><CabinList v-slot="{ cabin }">{{ cabin }}</CabinList></template>`,
        },
      },
    ],
  },
};
