import { type Supply } from '../../record/plan/index.ts';
import { faceOf, FINGER_ROOM, type Holder, PITCH } from './holder.ts';
import { CLOSE, MARGIN, type Block, roundOf, sorted } from './piece.ts';
import { type Fit, no, setting } from './fit.ts';

/** Rolls and reels on a rod. */
export function onRod(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  const round = ['roll', 'spool'].includes(supply.form) ? (roundOf(supply, piece) ?? null) : null;
  if (!round) return no('it does not go on a rod');
  const over = round.diameter - Math.min(holder.height, holder.depth + holder.depth / 2);
  if (over > CLOSE) return no(`needs ${Math.ceil(over)} mm more round the rod`);
  const each = round.length + 2 * MARGIN;
  const fits = Math.floor((holder.width + CLOSE) / each);
  if (fits < count)
    return no(
      fits < 1 ? `needs ${Math.ceil(each - holder.width)} mm more width` : `only ${fits} of ${count} go in`,
      fits,
    );
  const pose = { width: round.length, depth: round.diameter, height: round.diameter };
  const set = { ...setting(pose, each, round.diameter, 1, round.diameter, count), frontage: count * each };
  return { ok: true, use: count * each, fits, hidden: 0, set, words: `${count} on the rod` };
}

/** Hung from a peg, hook or rail: the longest side down. On a board in rows below each other. */
export function hung(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  if (!supply.lies.includes('hanging')) return no('it does not hang');
  const [thin, across, long] = sorted(piece);
  const face = faceOf(holder);
  const pegged = (mm: number) => Math.ceil((mm + FINGER_ROOM) / PITCH - CLOSE) * PITCH;
  // on a rail one behind another, on a hook or peg side by side
  const each = holder.kind === 'hanger' ? thin + FINGER_ROOM : pegged(across);
  const down = holder.kind === 'board' ? long + FINGER_ROOM : long;
  if (long > holder.height + CLOSE) return no(`hangs ${Math.ceil(long - holder.height)} mm too far down`);
  const columns = Math.floor((holder.width + CLOSE) / each);
  const rows = holder.nature === 'area' ? Math.max(1, Math.floor((face.depth + CLOSE) / down)) : 1;
  const fits = columns * rows;
  if (fits < count)
    return no(
      fits < 1 ? `needs ${Math.ceil(each - holder.width)} mm more width` : `only ${fits} of ${count} go in`,
      fits,
    );
  const depth = Math.min(down, face.depth);
  const set = {
    ...setting(
      { width: across, depth: long, height: thin },
      each,
      holder.nature === 'area' ? depth : holder.depth,
      1,
      thin,
      count,
    ),
    frontage: count * each,
    mayTurn: false,
  };
  const use = holder.nature === 'area' ? count * each * depth : count * each;
  return { ok: true, use, fits, hidden: 0, set, words: count === 1 ? 'hung up' : `${count} hung up` };
}
