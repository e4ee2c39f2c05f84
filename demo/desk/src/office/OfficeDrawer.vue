<script setup lang="ts">
import { inject, provide } from 'vue';
import { DESK_OPEN, type Sale } from '../model';
import SaleLog from './SaleLog.vue';

const props = defineProps<{ sales: Sale[]; open: boolean }>();
const emit = defineEmits<{ 'update:open': [open: boolean] }>();
const desk = inject(DESK_OPEN);
provide('boardStyle', 'narrow');

function close() {
  emit('update:open', 'no');
  emit('closed');
}
</script>

<template>
  <aside v-if="props.open">
    <p>{{ desk ? 'Selling' : 'Closed' }}</p>
    <SaleLog :sales="props.sales">Sold today</SaleLog>
    <button type="button" @click="close">Close</button>
  </aside>
</template>
