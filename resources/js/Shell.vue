<script setup lang="ts">
import { router } from '@inertiajs/vue3';
import { ConfigProvider } from 'ant-design-vue';
import { onBeforeUnmount, ref } from 'vue';

/** Whether a page is on its way for longer than a moment. */
const loading = ref(false);
let timer: ReturnType<typeof setTimeout> | undefined;
const stops = [
    router.on('start', () => {
        timer = setTimeout(() => (loading.value = true), 250);
    }),
    router.on('finish', () => {
        clearTimeout(timer);
        loading.value = false;
    }),
];
onBeforeUnmount(() => {
    stops.forEach((stop) => {
        stop();
    });
});

const theme = {
    token: {
        colorPrimary: '#1f5f6b',
        colorInfo: '#1f5f6b',
        colorLink: '#1f5f6b',
        colorSuccess: '#3f6b3c',
        colorWarning: '#8a5200',
        colorError: '#9c2f1d',
        colorText: '#1f2d35',
        colorTextSecondary: '#56646c',
        colorTextDescription: '#56646c',
        colorTextPlaceholder: '#6a767d',
        colorBgBase: '#fffdf8',
        colorBgLayout: '#f7f4ec',
        colorBorder: '#b9b29f',
        colorBorderSecondary: '#d9d3c4',
        borderRadius: 6,
        fontFamily: "'Source Sans 3', 'Helvetica Neue', sans-serif",
        fontSize: 15,
        boxShadow: '0 2px 10px rgba(31, 45, 53, 0.12)',
        wireframe: false,
    },
};
</script>

<template>
    <ConfigProvider :theme="theme">
        <div v-if="loading" class="loading" role="progressbar" aria-label="Loading the page" />
        <slot />
    </ConfigProvider>
</template>

<style scoped>
.loading {
    position: fixed;
    inset: 0 0 auto;
    z-index: 2000;
    height: 3px;
    background: linear-gradient(90deg, #c9903f 40%, transparent 60%) 0 / 200% 100%;
    animation: drift 1.2s linear infinite;
}

@keyframes drift {
    from {
        background-position: 100% 0;
    }

    to {
        background-position: -100% 0;
    }
}
</style>
