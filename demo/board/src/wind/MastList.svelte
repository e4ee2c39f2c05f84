<script lang="ts">
  import type { Mast } from '../lib/model';
  import MastGroup from './MastGroup.svelte';

  let { masts, scale, onpick }: { masts: Mast[]; scale: number; onpick: (mast: Mast) => void } = $props();
</script>

<div>
  <MastGroup {masts} {scale} {onpick} />
</div>
