/** A part of the form above the strip. */
export interface StripSection {
    letter: string;
    /** Indexes of bars; `to` is past the last. */
    from: number;
    to: number;
}

/** A bar of the form strip, as the craft in front sees it. */
export interface StripColumn {
    /** 0 to 1. */
    height: number;
    look: 'clear' | 'veiled' | 'cloudy' | 'muddy';
    /** A sign above the column. */
    sign: 'warning' | 'serious' | null;
    /** What assistive technology says after the bar's number. */
    says: string;
}
