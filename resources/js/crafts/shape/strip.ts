import type { StripColumn } from '../../desk/strip';
import type { ShapeAnswer } from '@generated/shape';
import { dynamicOf } from './words';

const LOUDEST = 127;

/** The curve of the piece: how loud the line gets in each bar, with a sign where something is to be mended. */
export function shapeStrip(shape: ShapeAnswer): StripColumn[] {
    const most = Math.max(...shape.profile);
    const signs = new Map<number, 'warning' | 'serious'>();
    for (const { measure, severity } of shape.findings) if (severity !== 'hint') signs.set(measure, severity);
    return shape.profile.map((velocity, index) => ({
        height: velocity / LOUDEST,
        look: velocity > 0 && velocity === most ? 'cloudy' : velocity >= 0.8 * most ? 'veiled' : 'clear',
        sign: signs.get(index) ?? null,
        says: velocity === 0 ? 'silent' : `up to ${dynamicOf(velocity)}${velocity === most ? ', the loudest' : ''}${signs.has(index) ? ', with findings' : ''}`,
    }));
}
