import { ref } from 'vue';

/** Whether the server has said that nobody is signed in any more. */
export const isSignedOut = ref(false);
