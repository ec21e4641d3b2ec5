import { defineCraft } from '../../desk/craft';
import HearInspector from './HearInspector.vue';
import HearLane from './HearLane.vue';
import HearTools from './HearTools.vue';
import { useHear } from './useHear';

export const hear = defineCraft({
    name: 'hear',
    title: 'Hear',
    asks: ['hear'],
    use: useHear,
    view: { tools: HearTools, lane: HearLane, inspector: HearInspector },
});
