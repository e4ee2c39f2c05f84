<template>
  <ol ref="list" @click="scrollUp">
    <li v-for="(sale, index) in sales" :key="index">{{ sale.fare.title }}: {{ sale.riders }} {{ boardStyle }}</li>
  </ol>
</template>

<script>
export default {
  name: 'SaleLog',
  inject: ['boardStyle'],
  props: ['sales'],
  methods: {
    scrollUp() {
      this.$refs.lst.scrollTo(0, 0);
    },
  },
};
</script>
