import type { Progress } from './progress';

export type Skill = 'growing' | 'intermediate' | 'advanced';

export interface StudentItem {
    id: number;
    name: string;
    instrument: string;
    instrumentLabel: string;
    /** An instrument that is adjusted; null for as its kind is. */
    piano_id: number | null;
    half_pedal: boolean;
    sostenuto: boolean;
    /** MIDI numbers. */
    lowest_key: number;
    highest_key: number;
    action: 'light' | 'medium' | 'heavy';
    soft_pedal: 'works' | 'weak' | 'none';
    weak_fingers: boolean;
    /** How much is asked when she is heard. */
    skill: Skill;
    /** Seconds from one change of the pedal to the next, and in which what is struck is caught; null for what is usual. */
    foot_comfortable: number | null;
    foot_catches: number | null;
    /** Notes a second; null if not measured. */
    run_rate: number | null;
    /** Semitones between thumb and little finger; null if not measured. */
    right_comfortable: number | null;
    right_largest: number | null;
    left_comfortable: number | null;
    left_largest: number | null;
    repetition_rate: number | null;
    copies: ({ id: number; title: string; piece: number; revision: number } & Progress)[];
}

/** What was read of a score. */
export interface PieceSummary {
    title: string;
    parts: { id: string; name: string; staves: number }[];
    part: string;
    bars: number;
    notes: number;
    key: string;
    metres: string[];
    tempo: number;
    seconds: number;
    /** Of the hands, 1 to 9; not there for a piece that was read by an earlier version. */
    difficulty?: number;
    trains?: string[];
    warnings: string[];
}

export interface PieceItem {
    id: number;
    title: string;
    summary: PieceSummary;
    /** The teacher's. */
    tags: string[];
}

/** How an instrument sounds on. */
export interface InstrumentProfile {
    /** Share of a concert grand's decay. */
    ring: number;
    /** How firmly its dampers stop a string: 1 for a grand's. */
    dampers: number;
    /** Seconds the room keeps a sound; 0 for one that adds nothing. */
    room: number;
    /** dB by which the left pedal makes a stroke softer. */
    soft: number;
    /** MIDI velocity of the softest stroke at which a key still speaks. */
    softest: number;
}

export interface Instrument {
    value: string;
    label: string;
    profile: InstrumentProfile;
}

/** One the teacher has copied and adjusted. */
export interface AdjustedPiano extends InstrumentProfile {
    id: number;
    name: string;
}
