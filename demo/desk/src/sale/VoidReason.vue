<script setup lang="ts">
import { ref } from 'vue';

const emit = defineEmits<{ voided: [reason: string] }>();
const reason = ref('');
</script>

<template>
  <label>
    Reason
    <input v-model="reason" @keyup.enter="emit('voided', reason)" />
  </label>
</template>
