import '@fontsource/source-sans-3/latin-400.css';
import '@fontsource/source-sans-3/latin-600.css';
import '@fontsource/source-serif-4/latin-400.css';
import '@fontsource/source-serif-4/latin-600.css';
import 'virtual:music-font.css';
import '../css/app.css';
import { createInertiaApp } from '@inertiajs/vue3';
import { createApp, h, type DefineComponent } from 'vue';
import Shell from './Shell.vue';

// A page of ours where the server cannot be reached.
if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js').catch(() => undefined);

void createInertiaApp({
    title: (title) => (title ? `${title} · Tarnwind` : 'Tarnwind'),
    progress: false,
    resolve: async (name) => {
        const pages = import.meta.glob<{ default: DefineComponent }>('./pages/*.vue');
        const load = pages[`./pages/${name}.vue`];
        if (!load) throw new Error(`There is no page ${name}.`);
        return (await load()).default;
    },
    setup({ el, App, props, plugin }) {
        createApp({ render: () => h(Shell, null, { default: () => h(App, props) }) })
            .use(plugin)
            .mount(el);
    },
});
