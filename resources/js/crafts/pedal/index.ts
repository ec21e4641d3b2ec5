import { defineCraft } from '../../desk/craft';
import { merge } from './merge';
import PedalInspector from './PedalInspector.vue';
import PedalLanes from './PedalLanes.vue';
import PedalTools from './PedalTools.vue';
import { usePedal } from './usePedal';

export const pedal = defineCraft({
    name: 'pedal',
    title: 'Pedal',
    asks: ['pedal'],
    opens: true,
    joinings: { pedal: { merge } },
    use: usePedal,
    view: { tools: PedalTools, lane: PedalLanes, inspector: PedalInspector },
});
