<script setup lang="ts">
import { ref } from 'vue';
import StepButton from '../shared/StepButton.vue';

const riders = defineModel<number>({ required: true });
const props = defineProps<{ most: number }>();
const touched = ref(false);

function step(by: number) {
  touched.value = true;
  riders.value = Math.min(props.most, Math.max(1, riders.value + by));
}
function reset() {
  touched.value = false;
}
defineExpose({ reset });
</script>

<template>
  <p :class="{ touched }">
    <StepButton label="Fewer" :step="-1" @step="step" />
    {{ riders }}
    <StepButton label="More" :step="1" :disabled="riders >= props.most" @stepped="step" />
  </p>
</template>
