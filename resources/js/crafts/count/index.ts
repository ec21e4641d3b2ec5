import { defineCraft } from '../../desk/craft';
import CountInspector from './CountInspector.vue';
import CountLane from './CountLane.vue';
import CountTools from './CountTools.vue';
import { useCount } from './useCount';

export const count = defineCraft({
    name: 'count',
    title: 'Count',
    asks: ['count', 'read'],
    use: useCount,
    view: { tools: CountTools, lane: CountLane, inspector: CountInspector },
});
