<script>
  import NoticeRow from './NoticeRow.svelte';
  import NoticeTools from './NoticeTools.svelte';

  export let muted = false;
  let notices = ['Gusts at Heron gap'];
</script>

<section class:muted>
  {#each notices as notice}
    <NoticeRow {notice}><em slot="stamp">today</em></NoticeRow>
  {/each}
  <NoticeTools on:cleared on:mute={() => (muted = true)} />
</section>
