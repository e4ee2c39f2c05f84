<script lang="ts">
  import { createEventDispatcher } from 'svelte';
  import RaiseForm from './RaiseForm.svelte';

  const dispatch = createEventDispatcher<{ cleared: void; muted: void }>();
</script>

<div>
  <button type="button" on:click={() => dispatch('cleared')}>Clear</button>
  <RaiseForm />
</div>
