import { defineCraft } from '../../desk/craft';
import PhraseArches from './PhraseArches.vue';
import ReadInspector from './ReadInspector.vue';
import ReadLanes from './ReadLanes.vue';
import ReadTools from './ReadTools.vue';
import { useRead } from './useRead';

export const read = defineCraft({
    name: 'read',
    title: 'Read',
    asks: ['read'],
    use: useRead,
    view: { tools: ReadTools, above: PhraseArches, lane: ReadLanes, inspector: ReadInspector },
});
