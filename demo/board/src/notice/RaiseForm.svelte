<script lang="ts">
  import { createEventDispatcher } from 'svelte';

  const dispatch = createEventDispatcher<{ raised: string }>();
  let text = '';
</script>

<form on:submit|preventDefault={() => dispatch('raised', text)}>
  <input bind:value={text} />
  <button type="submit">Raise</button>
</form>
