import { defineCraft } from '../../desk/craft';
import FingerLayer from './FingerLayer.vue';
import HandInspector from './HandInspector.vue';
import HandTools from './HandTools.vue';
import { comparesFigures, merge } from './merge';
import { useHand } from './useHand';

export const hand = defineCraft({
    name: 'hand',
    title: 'Hand',
    asks: ['hand'],
    joinings: { hand: { merge, isFar: comparesFigures } },
    use: useHand,
    view: { tools: HandTools, over: FingerLayer, inspector: HandInspector },
    look: 'fingered',
});
