<script setup lang="ts">
import { computed, ref } from 'vue';
import type { Fare, Sale } from '../model';
import RiderCount from './RiderCount.vue';
import SaleSum from './SaleSum.vue';
import VoidStep from './VoidStep.vue';

const props = defineProps<{ fare: Fare; currency: string }>();
const emit = defineEmits<{ booked: [sale: Sale]; voided: [] }>();
const riders = ref(1);
const count = ref<InstanceType<typeof RiderCount> | null>(null);
const due = computed(() => props.fare.crowns * riders.value);

function book() {
  emit('booked', { fare: props.fare, riders: riders.value });
  riders.value = 1;
  count.value?.clear();
}
</script>

<template>
  <form @submit.prevent="book">
    <RiderCount ref="count" v-model="riders" most="8" />
    <SaleSum :amount="due" :curency="currency" :fare="fare" />
    <VoidStep @voided="emit('voided')" />
    <button type="submit">Book</button>
  </form>
</template>
