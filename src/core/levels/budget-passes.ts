import { platesPass } from '../floors/floor-passes';
import { definePass } from '../passes/pass';
import { storeysOf } from '../solving/building-passes';
import { heightBudgets, thickestSlab, type HeightBudget } from './height-budget';

/** What each storey's height is spent on, from the lowest up. */
export const budgetsPass = definePass({
  name: 'height budgets',
  scope: 'building',
  run: (cx, building): readonly HeightBudget[] =>
    heightBudgets(cx.framework, storeysOf(cx, building), thickestSlab(cx.get(platesPass, building))),
});
