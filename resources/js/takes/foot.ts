/** What a foot can be trained in. */
export interface ExerciseKind {
    kind: string;
    label: string;
    does: string;
    /** Whether it needs a pedal that knows more than up and down. */
    depth: boolean;
}

/** An exercise: what sounds, and what the foot is to do when; ms from its beginning. */
export interface Exercise {
    kind: string;
    label: string;
    does: string;
    tempo: number;
    tolerance: number;
    lasts: number;
    place: string;
    strokes: { at: number; midi: number[]; length: number; velocity: number }[];
    /** Windows are ms after `at`. */
    targets: { at: number; up: [number, number] | null; down: [number, number] | null }[];
}

/** What the foot made of it. */
export interface Round {
    share: number;
    lag: number | null;
    gap: number;
    smear: number;
    says: string;
    targets: { at: number; met: boolean; up: number | null; down: number | null; says: string }[];
}

/** A round as it was logged. */
export interface LoggedRound {
    exercise: string;
    place: string | null;
    day: string;
    tempo: number;
    tolerance: number;
    share: number;
    lag: number | null;
}

/** A hard place of a piece. */
export interface HardChange {
    first: number;
    window: number;
    place: string;
    tempo: number;
}
