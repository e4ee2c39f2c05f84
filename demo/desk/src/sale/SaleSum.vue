<template>
  <p class="sum">
    {{ amount }} {{ currency }}
    <small v-if="reduced">crew: {{ crewAmount }}</small>
    <button type="button" @click="halve">Crew rate</button>
    {{ fare.title }} {{ remark }}
  </p>
</template>

<script lang="ts">
import { defineComponent, inject, type PropType } from 'vue';
import { CREW_RATE, type Fare } from '../model';

export default defineComponent({
  name: 'SaleSum',
  props: {
    amount: { type: Number, required: true },
    currency: { type: String, default: 'cr' },
    fare: { type: Object as PropType<Fare>, required: true },
  },
  setup() {
    return { rate: inject(CREW_RATE, 1) };
  },
  data() {
    return { reduced: false, firstAmount: this.amount };
  },
  computed: {
    crewAmount(): number {
      return this.firstAmount * this.rate;
    },
  },
  methods: {
    halve() {
      this.reduced = true;
      this.fare.crowns = this.fare.crowns / 2;
    },
  },
});
</script>
