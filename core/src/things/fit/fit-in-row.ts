import { type Supply } from '../../record/plan/index.ts';
import { type Holder } from './holder.ts';
import { CLOSE, MARGIN, type Pose, roundOf } from './piece.ts';
import { circlesIn, widthForCircles } from './round.ts';
import { type Fit, layersOf, no, setting } from './fit.ts';

export function inRow(holder: Holder, supply: Supply, pose: Pose, count: number): Fit {
  const [w, d] = [pose.width + 2 * MARGIN, pose.depth + 2 * MARGIN];
  const words = (columns: number, deep: number, layers: number) =>
    `${columns} across${deep > 1 ? `, ${deep} deep` : ''}${layers > 1 ? `, ${layers} high` : ''}`;
  if (pose.round === 'standing') {
    const layers = layersOf(holder, supply, pose.height);
    if (layers < 1) return no('');
    const fits = circlesIn(holder.width, holder.depth, w) * layers;
    if (fits < count) return no('', fits);
    const stacks = Math.ceil(count / layers);
    const frontage = widthForCircles(stacks, holder.width, holder.depth, w);
    const columns = Math.floor(frontage / w + CLOSE);
    const set = {
      ...setting(pose, w, d, Math.min(layers, count), layers * pose.height, stacks),
      frontage,
      staggered: true,
    };
    return {
      ok: true,
      use: frontage,
      fits,
      hidden: Math.max(0, count - columns),
      set,
      words: words(columns, Math.ceil(stacks / columns), layers),
    };
  }
  if (pose.round === 'endOn' && roundOf(supply, pose)) return bundle(holder, pose, d, count, supply);
  const [columns, deep, layers] = [
    Math.floor((holder.width + CLOSE) / w),
    Math.floor((holder.depth + CLOSE) / d),
    layersOf(holder, supply, pose.height),
  ];
  const fits = columns * deep * layers;
  if (fits < count || fits < 1) return no('', fits);
  const used = Math.ceil(count / (deep * layers));
  const high = Math.min(layers, Math.ceil(count / (used * deep)));
  const stacks = Math.ceil(count / high);
  const set = {
    ...setting(pose, w, d, high, high * pose.height, stacks),
    deep: Math.ceil(stacks / used),
    frontage: used * w,
  };
  return { ok: true, use: used * w, fits, hidden: Math.max(0, count - used), set, words: words(used, set.deep, high) };
}

/** Round things lying with their ends to the front, straight or staggered like logs. */
function bundle(holder: Holder, pose: Pose, d: number, count: number, supply: Supply): Fit {
  const deep = Math.floor((holder.depth + CLOSE) / d);
  const height = Math.min(holder.height, supply.stackLimit === null ? Infinity : supply.stackLimit * pose.width);
  const inside = Math.max(0, holder.width - 2 * MARGIN);
  const section = circlesIn(inside, height, pose.width);
  const fits = section * deep;
  if (fits < count || fits < 1) return no('', fits);
  const each = Math.ceil(count / deep);
  const frontage = widthForCircles(each, inside, height, pose.width) + 2 * MARGIN;
  const layers = Math.max(1, Math.ceil(each / Math.max(1, Math.floor((frontage - 2 * MARGIN) / pose.width + CLOSE))));
  const stacks = Math.ceil(count / layers);
  const set = { ...setting(pose, pose.width, d, layers, layers * pose.width, stacks), deep, frontage };
  return {
    ok: true,
    use: frontage,
    fits,
    hidden: Math.max(0, count - Math.ceil(stacks / deep)),
    set,
    words: `a bundle ${Math.round(frontage)} mm wide`,
  };
}
