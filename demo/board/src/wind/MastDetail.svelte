<script lang="ts">
  import type { Mast } from '../lib/model';
  import GustField from './GustField.svelte';

  let { mast, scale, onclose }: { mast: Mast; scale: number; onclose: () => void } = $props();
  let shown = $state(mast.wind);
  let limit = $state(18);
  let panel = $state<HTMLElement | undefined>();
</script>

<aside bind:this={panel} style:zoom={scale}>
  <h2>{mast.title}: {shown}</h2>
  <GustField limit={limit} max="40" />
  <button type="button" onclick={onclose}>Close</button>
</aside>
