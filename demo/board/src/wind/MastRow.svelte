<script lang="ts">
  import { getContext } from 'svelte';
  import { STORM, UNIT, type Mast } from '../lib/model';
  import WindArrow from './WindArrow.svelte';

  let { mast, zoom, onpick, onhold }: { mast: Mast; zoom: number; onpick: () => void; onhold?: () => void } = $props();
  const unit = getContext<string>(UNIT);
  const station = getContext<string>('stationName');
</script>

<li style:font-size="{zoom}em" class:storm={mast.wind > STORM}>
  <button type="button" onclick={onpick} onkeydown={() => onhold()}>{mast.title} {station}</button>
  <WindArrow wind={mast.wind} unti={unit} />
</li>
