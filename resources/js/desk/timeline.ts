import type { Place } from '@generated/plan';

/** A moment of the score, in time order; the last one is the end. */
export interface Moment {
    at: string;
    place: Place;
    measure: number;
    notes: string[];
}

/** Where marks and moments stand, in quarters from the beginning. */
export interface Timeline {
    moments: readonly Moment[];
    /** Quarters of each moment. */
    times: readonly number[];
    quarters(place: Place): number | null;
}
