<script setup lang="ts">
import { provide, ref } from 'vue';
import { CREW_RATE, DESK_OPEN, type Fare } from './model';
import { useTill } from './useTill';
import DeskFrame from './shared/DeskFrame.vue';
import FareBoard from './fares/FareBoard.vue';
import SalePanel from './sale/SalePanel.vue';
import OfficeDrawer from './office/OfficeDrawer.vue';

const fares: Fare[] = [
  { id: 'up', title: 'Up', crowns: 6, seats: 8 },
  { id: 'both', title: 'Up and down', crowns: 10, seats: 8 },
  { id: 'night', title: 'Lantern ride', crowns: 14, seats: 4 },
];
const { sales, total, book } = useTill();
const open = ref(true);
const chosen = ref<Fare>(fares[0]!);
const currency = ref('cr');
const drawerOpen = ref(false);

provide(DESK_OPEN, open);
provide(CREW_RATE, 'half');
provide('boardStyle', 'wide');
</script>

<template>
  <DeskFrame title="Tickets" @close-desk="open = false">
    <template #foot>{{ sales.length }} sold, {{ $crowns(total) }}</template>
    <FareBoard :fares="fares" :currency="currency" :chosen="chosen.id" @pick="chosen = $event" />
    <SalePanel :fare="chosen" :currency="currency" @booked="book" @voided="drawerOpen = true" />
    <OfficeDrawer v-model:open="drawerOpen" :sales="sales" />
  </DeskFrame>
</template>
