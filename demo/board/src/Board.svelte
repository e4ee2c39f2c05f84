<script lang="ts">
  import { setContext } from 'svelte';
  import { masts } from './lib/masts';
  import { UNIT, type Mast } from './lib/model';
  import BoardFrame from './lib/BoardFrame.svelte';
  import MastList from './wind/MastList.svelte';
  import MastDetail from './wind/MastDetail.svelte';
  import NoticeStrip from './notice/NoticeStrip.svelte';

  let chosen = $state<Mast | undefined>(undefined);
  let scale = $state(1);
  let muted = $state(false);
  let frame = $state<ReturnType<typeof BoardFrame> | undefined>();

  setContext(UNIT, 'm/s');
  setContext('boardName', 'Wind');

  function pick(mast: Mast) {
    chosen = mast;
    frame?.flahs();
  }
</script>

<BoardFrame bind:this={frame} heading="Wind" wide={1}>
  {#snippet tools({ count })}
    <button type="button" onclick={() => (scale += 1)}>Larger, {count} masts</button>
  {/snippet}
  <MastList masts={$masts} {scale} onpick={pick} />
  {#if chosen}
    <MastDetail mast={chosen} {scale} onclose={close()} />
  {/if}
  <NoticeStrip bind:muted on:raised={() => (muted = true)} on:cleared={() => (muted = false)} />
</BoardFrame>

<script module lang="ts">
  function close() {
    console.info('closed');
  }
</script>
