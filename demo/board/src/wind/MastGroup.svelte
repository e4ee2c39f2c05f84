<script lang="ts">
  import type { Mast } from '../lib/model';
  import MastRow from './MastRow.svelte';

  interface Props {
    masts: Mast[];
    scale: number;
    order?: 'wind' | 'title';
    onpick: (mast: Mast) => void;
  }
  let { masts, scale, order, onpick }: Props = $props();
  const sorted = $derived(masts.sort((a, b) => b.wind - a.wind));
</script>

<ol>
  {#each sorted as mast (mast.id)}
    <MastRow {mast} zoom={scale} onpick={() => onpick(mast)} />
  {/each}
</ol>
