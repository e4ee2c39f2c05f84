<script setup lang="ts">
import type { Fare } from '../model';
import FareCard from './FareCard.vue';

defineProps<{ fares: Fare[]; currency: string; chosen: string }>();
const emit = defineEmits<{ pick: [fare: Fare] }>();
</script>

<template>
  <ul>
    <li v-for="fare in fares" :key="fare.id">
      <FareCard :fare="fare" :unit="currency" :picked="fare.id === chosen" @pick="emit('pick', $event)">
        <template #price="{ amount }">{{ $crowns(amount) }} of {{ seats }}</template>
      </FareCard>
    </li>
  </ul>
</template>
