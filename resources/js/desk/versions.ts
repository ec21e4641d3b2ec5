import { inMinutes } from '../support/minutes';

/** A plan that is kept under a name. */
export interface Version {
    id: number;
    name: string;
    /** When, as ISO 8601. */
    kept: string;
}

interface Counted {
    what: string;
    times: number;
}

/** What is otherwise in a bar; what is marked for no bar has none. */
export interface BarDifference {
    measure: number | null;
    gone: Counted[];
    new: Counted[];
    changed: Counted[];
    /** The largest change of a note: "half a grade louder", and seconds for which its key is held. */
    loudness: string | null;
    held: number;
    /** Whether the foot moves otherwise. */
    pedal: boolean;
}

/** What the present plan has otherwise than a version, as App\Support\VersionComparison has it; pairs are before and now. */
export interface Comparison {
    settings: { craft: string; name: string; before: unknown; after: unknown }[];
    seconds: [number, number];
    pedals: [number, number];
    louder: number;
    softer: number;
    longer: number;
    shorter: number;
    bars: BarDifference[];
}

export const isSame = ({ settings, bars }: Comparison): boolean => settings.length === 0 && bars.length === 0;

/** What is heard otherwise, in sentences. */
export function inSentences({ seconds, pedals, louder, softer, longer, shorter }: Comparison): string[] {
    const notes = (count: number): string => (count === 1 ? '1 note is' : `${count} notes are`);
    const both = (more: number, than: string, less: number, other: string): string[] => {
        if (more === 0 && less === 0) return [];
        if (more === 0) return [`${notes(less)} ${other}.`];
        return [less === 0 ? `${notes(more)} ${than}.` : `${notes(more)} ${than}, ${less} ${other}.`];
    };
    const [before, now] = [inMinutes(1000 * seconds[0]), inMinutes(1000 * seconds[1])];
    return [
        ...(before === now ? [] : [`It takes ${now}; it took ${before}.`]),
        ...(pedals[0] === pedals[1] ? [] : [`The foot goes down ${pedals[1] === 1 ? 'once' : `${pedals[1]} times`}; before, ${pedals[0]}.`]),
        ...both(louder, 'louder', softer, 'softer'),
        ...both(longer, 'held longer', shorter, 'shorter'),
    ];
}

/** What is otherwise in a bar, in a few words each. */
export function inWords(bar: BarDifference): string[] {
    const named = (how: string, all: Counted[]): string[] =>
        all.length === 0 ? [] : [`${how}: ${all.map(({ what, times }) => (times === 1 ? what : `${what} (${times} times)`)).join(', ')}`];
    const held = Math.abs(bar.held).toFixed(2);
    return [
        ...named('gone', bar.gone),
        ...named('new', bar.new),
        ...named('changed', bar.changed),
        ...(bar.loudness === null ? [] : [`up to ${bar.loudness}`]),
        ...(bar.held === 0 ? [] : [`keys held up to ${held} s ${bar.held > 0 ? 'longer' : 'shorter'}`]),
        ...(bar.pedal ? ['the foot moves otherwise'] : []),
    ];
}

/** A setting that differs: "Pedal, school: singing → clean". */
export function settingInWords({ craft, name, before, after }: Comparison['settings'][number], titleOf: (craft: string) => string): string {
    const plain = (value: unknown): string => {
        if (value === null) return craft === '' ? 'as printed' : 'as usual';
        return typeof value === 'string' ? value.replaceAll('-', ' ') : JSON.stringify(value);
    };
    const what = craft === '' ? 'Tempo, quarters a minute' : `${titleOf(craft)}, ${name.replaceAll('_', ' ')}`;
    return typeof before === 'object' && before !== null && typeof after === 'object' && after !== null
        ? `${what}: changed`
        : `${what}: ${plain(before)} → ${plain(after)}`;
}
