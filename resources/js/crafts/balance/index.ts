import { defineCraft } from '../../desk/craft';
import BalanceInspector from './BalanceInspector.vue';
import BalanceLane from './BalanceLane.vue';
import BalanceTools from './BalanceTools.vue';
import { merge as mergeShape } from '../shape/merge';
import { merge } from './merge';
import { useBalance } from './useBalance';

export const balance = defineCraft({
    name: 'balance',
    title: 'Voice',
    asks: ['balance', 'shape', 'read'],
    joinings: { balance: { merge }, shape: { merge: mergeShape } },
    use: useBalance,
    view: { tools: BalanceTools, lane: BalanceLane, inspector: BalanceInspector },
});
