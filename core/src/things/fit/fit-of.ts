import { type Supply } from '../../record/plan/index.ts';
import { layOnFloor } from './floor.ts';
import { capacityOf, faceOf, FINGER_ROOM, type Holder, isUpright, PITCH, POCKET_THICK } from './holder.ts';
import { CLOSE, MARGIN, pieceOf, type Block, type Pose, posesOf, roundOf, sorted } from './piece.ts';
import { circlesIn, widthForCircles } from './round.ts';
import { LOOSENESS, sheetsIn } from './sheets.ts';
import { heldAs } from './storage.ts';

/** How a number of one supply goes into a place that has nothing else in it. */
export type Fit =
  | {
      ok: true;
      /** what they use, in the measure of the place’s nature */
      use: number;
      /** how many would go in at most */
      fits: number;
      /** pieces behind, under or among others of their kind */
      hidden: number;
      /** how they are turned and set; null where they are thrown in or put into pockets */
      set: Setting | null;
      words: string;
    }
  | { ok: false; reason: string; /** how many go in, not all of them */ fits: number };

/** One kind set in a place: stacks of so many layers, each with its rectangle; in a row, columns of so many stacks one behind another. */
export type Setting = {
  pose: Block;
  /** rectangle of one stack with its play */
  width: number;
  depth: number;
  layers: number;
  /** pieces in one stack */
  pieces: number;
  /** height of one stack of all layers, mm */
  height: number;
  stacks: number;
  /** stacks one behind another in a column of a row */
  deep: number;
  /** frontage in a row, mm */
  frontage: number;
  /** staggered circles in one block, not a grid */
  staggered: boolean;
  mayTurn: boolean;
};

/** Room that things thrown in take, as a share filled by the things themselves (docs/sources.md, 5). */
const PACKING = { loose: 0.6, blocks: 0.55, soft: 0.9 } as const;
/** Soft things are pressed to so much of their volume (own assumption). */
const SQUEEZED = 0.7;

const no = (reason: string, fits = 0): Fit => ({ ok: false, reason, fits });

/**
 * Whether so many of a supply go into a place by themselves, and what they use of it in the measure of its nature. Exact for blocks, cylinders
 * and sheets; of an area the rectangles are counted, and whether they can be laid is said by `stow`.
 */
export function fitOf(holder: Holder, supply: Supply, count: number): Fit {
  const { supply: held, per } = heldAs(supply);
  const fit = fitAsItIs(holder, held, Math.ceil(count / per));
  return per === 1 ? fit : { ...fit, fits: fit.fits * per };
}

/** The same for what is kept as it comes: the sheets, jars and cards that hold things are things themselves. */
export function fitAsItIs(holder: Holder, supply: Supply, count: number): Fit {
  const piece = pieceOf(supply);
  if (!piece) return no('not measured yet');
  switch (holder.nature) {
    case 'bulk':
      return thrownIn(holder, supply, piece, count);
    case 'pockets':
      return inPockets(holder, piece, count);
    case 'pile':
      if (isUpright(holder) ? stands(supply) : lies(supply)) return inPile(holder, supply, piece, count);
      return no(isUpright(holder) ? 'it does not stand' : 'it does not lie flat');
    case 'row':
    case 'area':
      return hangs(holder) ? hung(holder, supply, piece, count) : stood(holder, supply, piece, count);
  }
}

const lies = (supply: Supply) => supply.lies.includes('flat');
const stands = (supply: Supply) => supply.lies.some((way) => way === 'upright' || way === 'edge');
const hangs = (holder: Holder) => ['board', 'hook', 'hanger'].includes(holder.kind);

/** Filled as it comes: by volume. */
function thrownIn(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  const inside = sorted(holder);
  const outside = sorted(piece);
  const press = supply.form === 'soft' ? Math.cbrt(SQUEEZED) : 1;
  const over = Math.max(...outside.map((o, i) => o * press - inside[i]!));
  if (over > CLOSE) return no(`needs ${Math.ceil(over)} mm more`);
  const share = supply.form === 'loose' ? PACKING.loose : supply.form === 'soft' ? PACKING.soft : PACKING.blocks;
  const each = (piece.width * piece.depth * piece.height * (supply.form === 'soft' ? SQUEEZED : 1)) / share / 1e6;
  const fits = Math.max(1, Math.floor(capacityOf(holder) / each + CLOSE));
  if (fits < count) return no(`only ${fits} of ${count} go in`, fits);
  const use = Math.min(count * each, capacityOf(holder));
  return { ok: true, use, fits, hidden: count - 1, set: null, words: `${use.toFixed(1)} l thrown in` };
}

function inPockets(holder: Holder, piece: Block, count: number): Fit {
  const [thick, a, b] = sorted(piece);
  const [, short, long] = sorted(holder);
  if (thick > POCKET_THICK) return no(`${Math.ceil(thick - POCKET_THICK)} mm too thick for a pocket`);
  const over = Math.max(a - short, b - long);
  if (over > CLOSE) return no(`needs pockets ${Math.ceil(over)} mm larger`);
  const each = Math.max(1, Math.floor(POCKET_THICK / thick + CLOSE));
  const use = Math.ceil(count / each);
  const fits = each * holder.pockets;
  if (fits < count) return no(`only ${fits} of ${count} go in`, fits);
  return { ok: true, use, fits, hidden: count - use, set: null, words: `${use} pockets, ${each} in each` };
}

/** What is thicker than so much of its middle side is not flat, and lies in no pile (own assumption). */
const FLAT = 0.25;

/** Flat things on each other: in a slot standing side by side. */
function inPile(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  const sheet = supply.form === 'sheet';
  const [thin, a, b] = sheet ? [piece.height, piece.width, piece.depth] : sorted(piece);
  if (thin > FLAT * Math.min(a, b)) return no('it is not flat');
  const upright = isUpright(holder);
  const floor = upright ? { width: holder.height, depth: holder.depth } : { width: holder.width, depth: holder.depth };
  const room = upright ? holder.width : holder.height;
  const each = sheet ? thin * LOOSENESS : thin;
  const perPile = Math.min(
    sheet ? sheetsIn(room, thin) : Math.floor(room / each + CLOSE),
    supply.stackLimit ?? Infinity,
  );
  const play = sheet ? 0 : MARGIN;
  let best: { piles: number; w: number; d: number } | null = null;
  for (const [w, d] of [
    [a + 2 * play, b + 2 * play],
    [b + 2 * play, a + 2 * play],
  ] as const) {
    const piles = Math.floor((floor.width + CLOSE) / w) * Math.floor((floor.depth + CLOSE) / d);
    if (piles > 0 && (!best || piles > best.piles)) best = { piles, w, d };
  }
  if (!best || perPile < 1) return no(shortBy(holder, piece));
  const fits = best.piles * perPile;
  if (fits < count) return no(`only ${fits} of ${count} go in`, fits);
  const stacks = Math.ceil(count / perPile);
  const layers = Math.min(count, perPile);
  // of a floor with several piles beside each other a pile uses its part
  const use = (count * each) / best.piles;
  return {
    ok: true,
    use,
    fits,
    hidden: count - stacks,
    set: setting(
      { width: best.w - 2 * play, depth: best.d - 2 * play, height: thin },
      best.w,
      best.d,
      layers,
      layers * each,
      stacks,
    ),
    words: `${count === 1 ? 'one lies' : `${count} lie`} ${Math.max(1, Math.round((count * each) / stacks))} mm high`,
  };
}

const setting = (
  pose: Block,
  width: number,
  depth: number,
  layers: number,
  height: number,
  stacks: number,
): Setting => ({
  pose: { width: pose.width, depth: pose.depth, height: pose.height },
  width,
  depth,
  layers,
  pieces: layers,
  height,
  stacks,
  deep: 1,
  frontage: 0,
  staggered: false,
  mayTurn: true,
});

/** Side by side on a shelf, or on a floor seen from above. */
function stood(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  if (supply.form === 'sheet') return sheetsStood(holder, supply, piece, count);
  if (holder.kind === 'dowel') return onRod(holder, supply, piece, count);
  const poses = posesOf(supply, piece);
  let best: (Fit & { ok: true }) | null = null;
  let most = 0;
  for (const pose of poses) {
    const use = holder.nature === 'row' ? inRow(holder, supply, pose, count) : onFloor(holder, supply, pose, count);
    if (use.ok && (!best || use.use < best.use - CLOSE || (use.use < best.use + CLOSE && use.fits > best.fits)))
      best = use;
    else if (!use.ok) most = Math.max(most, use.fits);
  }
  if (supply.form === 'pocket') {
    // flat things stand like files: each leans on the next, and none needs play of its own
    const filed = filedUpright(holder, supply, piece, count, 1);
    if (filed?.ok && (!best || filed.use < best.use)) best = filed;
    else if (filed && !filed.ok) most = Math.max(most, filed.fits);
  }
  if (best) return best;
  const across = supply.lies.includes('diagonal') ? diagonally(holder, piece, count) : null;
  if (across?.ok) return across;
  if (most > 0) return no(`only ${most} of ${count} go in`, most);
  if (poses.length === 0 && !supply.lies.includes('diagonal')) return no('it only hangs');
  return across ?? no(shortBy(holder, piece));
}

function layersOf(holder: Holder, supply: Supply, height: number): number {
  return Math.min(Math.floor((holder.height + CLOSE) / height), supply.stackLimit ?? Infinity);
}

function inRow(holder: Holder, supply: Supply, pose: Pose, count: number): Fit {
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

function onFloor(holder: Holder, supply: Supply, pose: Pose, count: number): Fit {
  const face = faceOf(holder);
  const [w, d] = [pose.width + 2 * MARGIN, pose.depth + 2 * MARGIN];
  const layers = layersOf(holder, supply, pose.height);
  if (layers < 1) return no('');
  const grid = (a: number, b: number) => Math.floor((face.width + CLOSE) / a) * Math.floor((face.depth + CLOSE) / b);
  const round = pose.round === 'standing' ? circlesIn(face.width, face.depth, w) : 0;
  let places = Math.max(grid(w, d), grid(d, w), round);
  // some this way and some that
  if (places * layers < count && round === 0) places = Math.max(places, laidEitherWay(face, w, d));
  const fits = places * layers;
  if (fits < count || fits < 1) return no('', fits);
  const stacks = Math.ceil(count / layers);
  const high = Math.ceil(count / stacks);
  const alone = round > grid(w, d) && stacks > grid(w, d);
  const set = { ...setting(pose, w, d, high, high * pose.height, stacks), staggered: alone };
  const use = alone ? face.width * face.depth : stacks * w * d;
  return {
    ok: true,
    use,
    fits,
    hidden: count - stacks,
    set,
    words: `${stacks} beside each other${high > 1 ? `, ${high} high` : ''}`,
  };
}

/** Stacks of one thing beyond so many are laid in blocks. */
export const MANY = 24;

/** How many rectangles of one kind lie on a floor, some of them a quarter turned: laid as they will be with what else is there. */
function laidEitherWay(face: { width: number; depth: number }, width: number, depth: number): number {
  const most = Math.min(MANY, Math.floor((face.width * face.depth + CLOSE) / (width * depth)));
  const wanted = Array.from({ length: most }, (_, of) => ({ width, depth, of }));
  return layOnFloor(face.width, face.depth, [], wanted).laid.length;
}

/** Sheets lie in piles, or stand on an edge like files; on a floor or a shelf. */
function sheetsStood(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
  const { width: a, depth: b, height: caliper } = piece;
  let best: (Fit & { ok: true }) | null = null;
  let most = 0;
  const offer = (use: Fit) => {
    if (use.ok && (!best || use.use < best.use)) best = use;
    else if (!use.ok) most = Math.max(most, use.fits);
  };
  const face = faceOf(holder);
  const each = caliper * LOOSENESS;
  if (lies(supply)) {
    const perPile = Math.min(sheetsIn(holder.height, caliper), supply.stackLimit ?? Infinity);
    const stacks = Math.max(1, Math.ceil(count / perPile));
    for (const [w, d] of [
      [a, b],
      [b, a],
    ] as const) {
      // a sheet needs its play to the sides alone: it is drawn out to the front
      const across = Math.floor((face.width + CLOSE) / (w + 2 * MARGIN));
      const deep =
        holder.nature === 'row'
          ? Math.min(1, Math.floor((face.depth + CLOSE) / d))
          : Math.floor((face.depth + CLOSE) / d);
      const piles =
        holder.nature === 'area' && stacks > across * deep
          ? Math.max(across * deep, laidEitherWay(face, w + 2 * MARGIN, d))
          : across * deep;
      const fits = piles * (perPile < 1 ? 0 : perPile);
      if (fits < count || fits < 1) {
        offer(no('', fits));
        continue;
      }
      const use = holder.nature === 'row' ? stacks * (w + 2 * MARGIN) : stacks * (w + 2 * MARGIN) * d;
      const layers = Math.ceil(count / stacks);
      const set = {
        ...setting({ width: w, depth: d, height: caliper }, w + 2 * MARGIN, d, layers, layers * each, stacks),
        frontage: stacks * (w + 2 * MARGIN),
      };
      offer({
        ok: true,
        use,
        fits,
        hidden: count - stacks,
        set,
        words: `${count} lie in ${stacks === 1 ? 'a pile' : `${stacks} piles`}`,
      });
    }
  }
  const filed = filedUpright(holder, supply, piece, count, LOOSENESS);
  if (filed) offer(filed);
  if (best) return best;
  return most > 0 ? no(`only ${most} of ${count} go in`, most) : no(shortBy(holder, piece));
}

/** Flat things standing one behind another like files; null where they may not stand or are too large. */
function filedUpright(holder: Holder, supply: Supply, piece: Block, count: number, looseness: number): Fit | null {
  if (!stands(supply)) return null;
  const face = faceOf(holder);
  const [thin, a, b] = supply.form === 'sheet' ? [piece.height, piece.width, piece.depth] : sorted(piece);
  if (thin > FLAT * Math.min(a, b)) return null;
  const each = thin * looseness;
  let best: (Fit & { ok: true }) | null = null;
  let most = 0;
  for (const [d, h] of [
    [a, b],
    [b, a],
  ] as const) {
    if (d > face.depth + CLOSE || h > holder.height + CLOSE) continue;
    const fits = Math.floor((face.width - 2 * MARGIN) / each + CLOSE);
    most = Math.max(most, fits);
    if (fits < count) continue;
    const frontage = count * each + 2 * MARGIN;
    const use = holder.nature === 'row' ? frontage : frontage * (d + 2 * MARGIN);
    if (best && use >= best.use) continue;
    const set = {
      ...setting({ width: frontage, depth: d, height: h }, frontage, Math.min(face.depth, d + 2 * MARGIN), 1, h, 1),
      frontage,
      pieces: count,
    };
    best = { ok: true, use, fits, hidden: 0, set, words: `${count} stand ${Math.round(frontage)} mm wide` };
  }
  return best ?? (most > 0 ? no(`only ${most} of ${count} go in`, most) : null);
}

/** Longer than the place is wide or deep: across its floor from corner to corner, on top of what lies there. */
function diagonally(holder: Holder, piece: Block, count: number): Fit {
  const [small, middle, large] = sorted(piece);
  const face = faceOf(holder);
  const room = Math.hypot(face.width, face.depth) - middle;
  if (large > room + CLOSE) return no(`needs ${Math.ceil(large - room)} mm more from corner to corner`);
  const fits = Math.max(0, Math.floor((holder.height + CLOSE) / small));
  if (fits < count) return no(`only ${fits} of ${count} go in`, fits);
  const use =
    holder.nature === 'row' ? Math.min(holder.width, large) : Math.min(face.width * face.depth, large * middle);
  return { ok: true, use, fits, hidden: count - 1, set: null, words: 'lies across from corner to corner' };
}

/** Rolls and reels on a rod. */
function onRod(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
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
function hung(holder: Holder, supply: Supply, piece: Block, count: number): Fit {
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

/** By how much the piece, in its best turn, is too big; sizes compared in order of length. */
function shortBy(holder: Holder, piece: Block): string {
  const inside = sorted(holder);
  const over = Math.max(...sorted(piece).map((o, i) => o + 2 * MARGIN - inside[i]!));
  return over > 0 ? `needs ${Math.ceil(over)} mm more` : 'does not go in the way it must lie';
}
