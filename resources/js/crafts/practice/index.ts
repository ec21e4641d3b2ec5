import { defineCraft } from '../../desk/craft';
import PracticeInspector from './PracticeInspector.vue';
import PracticeLane from './PracticeLane.vue';
import PracticeTools from './PracticeTools.vue';
import { usePractice } from './usePractice';

export const practice = defineCraft({
    name: 'practice',
    title: 'Practice',
    asks: ['practice'],
    use: usePractice,
    view: { tools: PracticeTools, lane: PracticeLane, inspector: PracticeInspector },
});
