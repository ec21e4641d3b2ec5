import { defineCraft } from '../../desk/craft';
import ArchLine from './ArchLine.vue';
import { merge } from './merge';
import ShapeInspector from './ShapeInspector.vue';
import ShapeLane from './ShapeLane.vue';
import ShapeTools from './ShapeTools.vue';
import { useShape } from './useShape';

export const shape = defineCraft({
    name: 'shape',
    title: 'Shape',
    asks: ['shape', 'read'],
    joinings: { shape: { merge } },
    use: useShape,
    view: { tools: ShapeTools, above: ArchLine, lane: ShapeLane, inspector: ShapeInspector },
});
