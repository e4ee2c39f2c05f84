<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    heading: string;
    wide?: boolean;
    tools?: Snippet<[{ masts: number }]>;
    footer?: Snippet;
    children: Snippet;
  }
  let { heading, wide = false, tools, footer, children }: Props = $props();
  let lit = $state(false);

  export function flash() {
    lit = true;
  }
</script>

<section class:wide class:lit>
  <h1>{heading}</h1>
  {@render tools?.({ masts: 3 })}
  {@render children()}
  <footer>{@render footer?.()}</footer>
</section>
