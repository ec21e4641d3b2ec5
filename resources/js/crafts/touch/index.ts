import { defineCraft } from '../../desk/craft';
import GestureLine from './GestureLine.vue';
import { merge } from './merge';
import SlurLayer from './SlurLayer.vue';
import TouchInspector from './TouchInspector.vue';
import TouchLane from './TouchLane.vue';
import TouchTools from './TouchTools.vue';
import { useTouch } from './useTouch';

export const touch = defineCraft({
    name: 'touch',
    title: 'Touch',
    asks: ['touch', 'read'],
    joinings: { touch: { merge } },
    use: useTouch,
    view: { tools: TouchTools, above: GestureLine, over: SlurLayer, lane: TouchLane, inspector: TouchInspector },
    look: 'touching',
});
