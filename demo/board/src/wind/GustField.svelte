<script lang="ts">
  let { limit, max, step = 1, onlimit }: { limit: number; max: number; step?: number; onlimit?: (limit: number) => void } = $props();
</script>

<label>
  Limit
  <input type="range" value={limit} {max} {step} onchange={(event) => onlimit?.(event.currentTarget.valueAsNumber)} />
</label>
