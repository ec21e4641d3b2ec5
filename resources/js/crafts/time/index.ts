import { defineCraft } from '../../desk/craft';
import { merge } from './merge';
import TimeInspector from './TimeInspector.vue';
import TimeLane from './TimeLane.vue';
import TimeTools from './TimeTools.vue';
import { useTime } from './useTime';

export const time = defineCraft({
    name: 'time',
    title: 'Time',
    asks: ['time', 'read'],
    joinings: { time: { merge } },
    use: useTime,
    view: { tools: TimeTools, lane: TimeLane, inspector: TimeInspector },
});
