<template>
  <i class="stamp">Quillmoor {{ year }}</i>
</template>

<script>
export default {
  name: 'StampMark',
  props: {
    year: { type: Number, default: '1907' },
  },
};
</script>
