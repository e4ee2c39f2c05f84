<script>
  export let notice;
</script>

<p><slot name="time">now</slot> {notice}</p>
