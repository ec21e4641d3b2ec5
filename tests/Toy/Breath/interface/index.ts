import { defineCraft } from '../../../../resources/js/desk/craft';
import BreathInspector from './BreathInspector.vue';
import BreathLane from './BreathLane.vue';
import { useBreath } from './useBreath';

export const breath = defineCraft({
    name: 'breath',
    title: 'Breath',
    asks: ['breath'],
    use: useBreath,
    view: { lane: BreathLane, inspector: BreathInspector },
});
