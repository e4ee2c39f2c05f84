<script setup lang="ts">
import type { Fare } from '../model';
import FareGroup from './FareGroup.vue';

defineProps<{ fares: Fare[]; currency: string; chosen: string }>();
const emit = defineEmits<{ pick: [fare: Fare] }>();
</script>

<template>
  <div class="board">
    <FareGroup :fares="fares" :currency="currency" :chosen="chosen" @pick="emit('pick', $event)" />
  </div>
</template>
