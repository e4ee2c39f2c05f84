<script>
  export let wind;
  export let unit = 'm/s';
  export let colour = 'slate';
  $: turn = Math.min(90, wind * 3);
</script>

<span style:transform="rotate({turn}deg)">{wind} {unit}</span>
