import { computed, ref } from 'vue';
import type { Sale } from './model';

/** What lies in the till since it was opened. */
export function useTill() {
  const sales = ref<Sale[]>([]);
  const total = computed(() => sales.value.reduce((sum, sale) => sum + sale.fare.crowns * sale.riders, 0));
  const book = (sale: Sale) => {
    sales.value = [...sales.value, sale];
  };
  return { sales, total, book };
}
