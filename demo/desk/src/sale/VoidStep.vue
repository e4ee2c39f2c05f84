<script setup lang="ts">
import VoidReason from './VoidReason.vue';

defineEmits<{ voided: [] }>();
</script>

<template>
  <details>
    <summary>Void</summary>
    <VoidReason />
  </details>
</template>
