<script setup lang="ts">
import { inject } from 'vue';

defineProps<{ title: string; subtitle?: string }>();
defineEmits<{ 'close-desk': [] }>();
const station = inject('stationName', '');
const weather = inject('weather');
</script>

<template>
  <section class="desk">
    <header>
      <h1>{{ title }}</h1>
      <p>{{ station }} {{ subtitle }} {{ weather }}</p>
      <slot name="tools" />
    </header>
    <slot />
    <footer><slot name="foot">Nothing sold yet</slot></footer>
  </section>
</template>
