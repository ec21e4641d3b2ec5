import type { StripColumn } from '../../desk/strip';
import type { TimeAnswer } from '@generated/time';
import { moving } from './curve';

/** From this share on a bar is told to be slower or quicker than its tempo. */
const TOLD = 0.02;
const MUCH = 0.12;

/** How much each bar is longer or shorter than its tempo has it, with a sign where something is to be mended. */
export function timeStrip(time: TimeAnswer, bars: number, findings: readonly StripColumn[]): StripColumn[] {
    const strict = Array.from({ length: bars }, () => 0);
    const played = Array.from({ length: bars }, () => 0);
    for (const beat of time.beats) {
        strict[beat.measure] = (strict[beat.measure] ?? 0) + beat.strict;
        played[beat.measure] = (played[beat.measure] ?? 0) + moving(beat);
    }
    const held = new Set(time.holds.map(({ measure }) => measure));
    return findings.map(({ sign }, index) => {
        const share = strict[index] ? played[index]! / strict[index] - 1 : 0;
        const size = Math.abs(share);
        const words = size < TOLD ? 'in tempo' : `${Math.round(100 * size)} % ${share > 0 ? 'longer' : 'shorter'} than its tempo`;
        return {
            height: Math.min(1, 0.25 + share * 2.5 + (held.has(index) ? 0.3 : 0)),
            look: size < TOLD ? 'clear' : share > 0 ? (size > MUCH ? 'cloudy' : 'veiled') : 'veiled',
            sign,
            says: `${words}${held.has(index) ? ', with a fermata' : ''}${sign ? ', with findings' : ''}`,
        };
    });
}
