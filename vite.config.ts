import vue from '@vitejs/plugin-vue';
import laravel from 'laravel-vite-plugin';
import path from 'node:path';
import Components from 'unplugin-vue-components/vite';
import { AntDesignVueResolver } from 'unplugin-vue-components/resolvers';
import { defineConfig } from 'vite';
import { musicFont } from './musicFont';
import { pianoSamples } from './pianoSamples';

// The browser tests build a second interface, with one craft more.
const withToy = process.env['TARNWIND_TOY'] === '1';
const [crafts, generated] = withToy ? ['tests/Toy/crafts.ts', 'tests/Toy/generated'] : ['resources/js/crafts/index.ts', 'resources/js/types/generated'];

export default defineConfig({
    resolve: { alias: { '@crafts': path.resolve(crafts), '@generated': path.resolve(generated) } },
    plugins: [
        laravel({ input: 'resources/js/app.ts', buildDirectory: withToy ? 'build-toy' : 'build' }),
        vue(),
        musicFont(),
        pianoSamples(),
        Components({ dirs: [], dts: `${generated}/components.d.ts`, resolvers: [AntDesignVueResolver({ importStyle: false })] }),
    ],
    worker: { format: 'es' },
    build: { chunkSizeWarningLimit: 12000, assetsInlineLimit: 0 },
});
