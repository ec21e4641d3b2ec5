<script setup lang="ts">
import ValuesPopover from '../../support/ValuesPopover.vue';
import type { Ornaments } from '@generated/touch';
import OrnamentFields from './OrnamentFields.vue';

/** How trills, grace notes and rolled chords are played, and whether the melody leads. */
defineProps<{ ornaments: Ornaments }>();
defineEmits<{ change: [ornaments: Ornaments] }>();
</script>

<template>
    <ValuesPopover label="Ornaments" title="How ornaments are played">
        <OrnamentFields :ornaments="ornaments" :leads="true" @change="(how) => $emit('change', how)" />
    </ValuesPopover>
</template>
