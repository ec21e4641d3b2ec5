<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue';

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
        <slot />
    </ConfigProvider>
</template>
