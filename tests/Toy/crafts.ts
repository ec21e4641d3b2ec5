import type { Craft } from '../../resources/js/desk/craft';
import { CRAFTS as USUAL } from '../../resources/js/crafts';
import { breath } from './Breath/interface';

/** The usual list of crafts with one line more. */
export const CRAFTS: readonly Craft[] = [...USUAL, breath];
