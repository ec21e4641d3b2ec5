import type { Craft } from '../desk/craft';
import { balance } from './balance';
import { count } from './count';
import { hand } from './hand';
import { hear } from './hear';
import { pedal } from './pedal';
import { practice } from './practice';
import { read } from './read';
import { shape } from './shape';
import { time } from './time';
import { touch } from './touch';

/** The crafts that have a view, in working order. A new one is a folder, and one line here. */
export const CRAFTS: readonly Craft[] = [read, count, hand, touch, shape, balance, pedal, time, practice, hear];
