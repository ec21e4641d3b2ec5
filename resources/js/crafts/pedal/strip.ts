import type { StripColumn } from '../../desk/strip';
import { fractionValue } from '../../support/fraction';
import type { PedalAnswer } from '@generated/pedal';
import { blurHeight, blurName } from './blur';

/** The worst blur of each bar, with a sign where something is to be mended. */
export function pedalStrip(starts: readonly number[], examination: PedalAnswer): StripColumn[] {
    const worst = starts.map(() => 0);
    let bar = 0;
    for (const { onset, value } of examination.blur) {
        const time = fractionValue(onset);
        while (bar + 1 < starts.length && (starts[bar + 1] ?? 0) <= time) bar++;
        worst[bar] = Math.max(worst[bar] ?? 0, value);
    }
    const signs = new Map<number, 'warning' | 'serious'>();
    for (const { measure, severity } of examination.findings) {
        if (severity !== 'hint' && signs.get(measure) !== 'serious') signs.set(measure, severity);
    }
    return worst.map((value, index) => {
        const sign = signs.get(index) ?? null;
        const look = blurName(value);
        return { height: blurHeight(value), look, sign, says: `blur ${value.toFixed(2)}, ${look}${sign ? ', with findings' : ''}` };
    });
}
