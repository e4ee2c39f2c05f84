import { createApp } from 'vue';
import App from './App.vue';
import StampMark from './shared/StampMark.vue';

const app = createApp(App);
app.component('StampMark', StampMark);
app.config.globalProperties.$crowns = (amount: number) => `${amount.toFixed(2)} cr`;
app.provide('stationName', 'Lower Quillmoor');
app.mount('#desk');
