<script setup lang="ts">
const props = defineProps<{ label: string; step: number; disabled?: boolean; hint?: string }>();
const emit = defineEmits<{ step: [by: number] }>();
</script>

<template>
  <button type="button" :disabled="props.disabled" @click="emit('step', props.step)">{{ label }}</button>
</template>
