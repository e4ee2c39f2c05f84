<script setup lang="ts">
import { computed } from 'vue';
import type { Fare } from '../model';

const props = defineProps<{ fare: Fare; unit: string; picked: boolean; accent?: string }>();
const emit = defineEmits<{ pick: [fare: Fare] }>();
const label = computed(() => `${props.fare.title}, ${props.fare.crowns} ${props.unit}`);
</script>

<template>
  <article :class="{ picked }" @click="emit('pick', fare)">
    <h3>{{ label }}</h3>
    <slot name="price" :amount="fare.crowns" />
    <StampMark />
  </article>
</template>
