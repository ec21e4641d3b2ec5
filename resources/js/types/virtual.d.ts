declare module 'virtual:piano-samples' {
    /** Addresses of what the foot itself sounds like. */
    export const foot: Readonly<Record<'down' | 'up', string>>;
    /** Where the samples of the grand are, and how large, by MIDI number. */
    const samples: Record<string, { url: string; bytes: number }>;
    export default samples;
}
