import vue from '@vitejs/plugin-vue';
import laravel from 'laravel-vite-plugin';
import Components from 'unplugin-vue-components/vite';
import { AntDesignVueResolver } from 'unplugin-vue-components/resolvers';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [
        laravel({ input: 'resources/js/app.ts' }),
        vue(),
        Components({ dirs: [], dts: 'resources/js/types/generated/components.d.ts', resolvers: [AntDesignVueResolver({ importStyle: false })] }),
    ],
    worker: { format: 'es' },
    build: { chunkSizeWarningLimit: 12000, assetsInlineLimit: 0 },
});
