<script setup lang="ts">
import { Link } from '@inertiajs/vue3';
import { computed } from 'vue';
import DoorFrame from '../support/DoorFrame.vue';

/** Something went wrong: what, and what to do about it. */
const props = defineProps<{ status: number }>();

const WORDS: Readonly<Record<number, { heading: string; text: string }>> = {
    403: { heading: 'Not yours to open', text: 'This belongs to another teacher. If it should be yours, you may be signed in with another account.' },
    404: { heading: 'Nothing here', text: 'The page is not there, or not any more. A piece or a copy may have been taken away, or the link is too old.' },
    405: { heading: 'Nothing here', text: 'This address is no page of its own. From the studio every page can be reached.' },
    419: {
        heading: 'It has been a while',
        text: 'This page was open for so long that it is not known any more. Load it again; edits of a desk are kept in this browser.',
    },
    429: { heading: 'A little too fast', text: 'There were many tries in a short time. Wait a minute, then go on.' },
    500: { heading: 'Something broke', text: 'The fault is ours, and it has been written down. Nothing that was saved is lost; try again in a moment.' },
    503: { heading: 'Back in a moment', text: 'Tarnwind is being looked after. Edits of an open desk are kept in your browser until it is back.' },
};
const words = computed(() => WORDS[props.status] ?? WORDS[500]!);
</script>

<template>
    <DoorFrame :title="words.heading" :heading="words.heading">
        <p>{{ words.text }}</p>
        <p><Link href="/">To the studio</Link></p>
        <p class="quiet">{{ status }}</p>
    </DoorFrame>
</template>
