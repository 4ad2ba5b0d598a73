import './shared/nonce';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { useOutbox } from './outbox/useOutbox';
import { router } from './router';
import './shared/styles.css';

const app = createApp(App).use(createPinia());
void useOutbox().start();
app.use(router).mount('#app');

// The page opens again without a connection; over plain http the browser has no such thing.
if (import.meta.env.PROD && 'serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
