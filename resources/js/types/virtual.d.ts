declare module 'virtual:piano-samples' {
    /** Where the samples of the grand are, by MIDI number. */
    const samples: Record<string, string>;
    export default samples;
}
