import { angleBetween, distance, heading } from '../../measures/geometry/index.ts';
import { surveyWalls } from '../../measures/survey/index.ts';
import { type CommandOf } from './commands.ts';
import { type Edit, gone, type Ran, reject } from './edit.ts';
import { type Wall } from './rows/index.ts';

function renumber(edit: Edit, walls: readonly Wall[]): Ran {
  for (const [seq, wall] of walls.entries()) {
    const trouble = wall.seq === seq && edit.get('walls', wall.id) ? null : edit.put('walls', { ...wall, seq });
    if (trouble) return trouble;
  }
  return null;
}

function orderedWalls(edit: Edit): Wall[] {
  return edit.all('walls').sort((a, b) => a.seq - b.seq);
}

/** Puts a wall in after the last one, or before the one at `at`. */
export function addWall(edit: Edit, wall: Omit<Wall, 'seq'>, at: number | undefined): Ran {
  if (edit.get('walls', wall.id)) return reject('This wall is in the plan already.');
  const walls = orderedWalls(edit);
  if (walls.length >= 60) return reject('A room has at most 60 walls here.');
  walls.splice(at ?? walls.length, 0, { ...wall, seq: -1 });
  return renumber(edit, walls);
}

/** Takes a wall out, with all that is on it. */
export function removeWall(edit: Edit, id: string): Ran {
  return edit.takeOut('walls', id) ?? renumber(edit, orderedWalls(edit));
}

/** Replaces lengths and turns by those of the outline corrected by the compass rule. */
export function spreadMisclosure(edit: Edit): Ran {
  const walls = orderedWalls(edit);
  if (walls.length < 3) return reject('A room needs at least three walls before its misclosure can be spread.');
  const { outline } = surveyWalls(walls);
  const n = outline.length;
  const bearing = outline.map((p, i) => heading(p, outline[(i + 1) % n]!));
  for (const [i, wall] of walls.entries()) {
    const length = distance(outline[i]!, outline[(i + 1) % n]!);
    const turn = angleBetween(bearing[i]!, bearing[(i + 1) % n]!);
    if (length < 1) return reject('Spreading the misclosure would make a wall vanish. Measure again first.');
    const trouble = edit.put('walls', {
      ...wall,
      length: Math.round(length * 1000) / 1000,
      turn: Math.round(turn * 1e6) / 1e6,
    });
    if (trouble) return trouble;
  }
  return null;
}

const tidy = (n: number) => Math.round(n * 1000) / 1000;

/** What is on a wall from `from` mm on goes over to another wall, counted from its left end. */
function handOver(edit: Edit, wallId: string, from: number, to: string): Ran {
  for (const table of ['openings', 'fixtures'] as const)
    for (const row of edit.all(table)) {
      if (row.wallId !== wallId || row.left < from) continue;
      const trouble = edit.put(table, { ...row, wallId: to, left: tidy(row.left - from) } as never);
      if (trouble) return trouble;
    }
  return null;
}

/**
 * Breaks a wall into five: it goes on to `left`, then a chimney breast (depth into the room) or an alcove (negative) of some
 * width, then the rest. What hung on it stays where it hung; what hung where the recess is now, hangs at its back.
 */
export function shapeWall(edit: Edit, { id, ids, left, width, depth }: CommandOf<'shapeWall'>): Ran {
  const wall = edit.get('walls', id);
  if (!wall) return gone('walls');
  if (new Set(ids).size < ids.length || ids.some((one) => edit.get('walls', one)))
    return reject('These walls are in the plan already.');
  const rest = wall.length - left - width;
  if (left <= 0 || rest <= 0) return reject('It must begin and end on the wall, with some wall left at both sides.');
  if (Math.abs(depth) < 1) return reject('How deep is it? Into the room is a chimney breast, out of it an alcove.');
  const side = depth > 0 ? 90 : -90;
  const moved = handOver(edit, id, left + width, ids[3]!) ?? handOver(edit, id, left, ids[1]!);
  if (moved) return moved;
  const walls = orderedWalls(edit);
  const piece = (i: number, length: number, turn: number): Wall => ({ id: ids[i]!, seq: -1, length, turn, name: '' });
  walls.splice(
    wall.seq,
    1,
    { ...wall, length: left, turn: side },
    piece(0, Math.abs(depth), -side),
    piece(1, width, -side),
    piece(2, Math.abs(depth), side),
    { ...piece(3, rest, wall.turn), name: wall.name },
  );
  edit.remove('walls', id);
  return renumber(edit, walls);
}

/** Cuts the corner at the end of a wall: `along` mm off this wall, `next` mm off the next one, a slanting wall between. */
export function cutCorner(edit: Edit, { id, newId, along, next }: CommandOf<'cutCorner'>): Ran {
  const walls = orderedWalls(edit);
  const wall = edit.get('walls', id);
  if (!wall) return gone('walls');
  if (edit.get('walls', newId)) return reject('This wall is in the plan already.');
  if (along <= 0 || next <= 0) return reject('Both lengths of the cut must be more than zero.');
  const after = walls[(wall.seq + 1) % walls.length]!;
  if (after.id === wall.id) return reject('There is no next wall yet to cut the corner to.');
  if (along >= wall.length || next >= after.length)
    return reject('The cut is longer than one of its walls; some of each must stay.');
  if (wall.turn <= 0) return reject('Only a corner that turns to the right can be cut.');
  // the triangle between the two walls: its angle at the corner is 180° − turn
  const corner = ((180 - wall.turn) * Math.PI) / 180;
  const slant = Math.hypot(along - next * Math.cos(corner), next * Math.sin(corner));
  const first = (Math.atan2(next * Math.sin(corner), along - next * Math.cos(corner)) * 180) / Math.PI;
  for (const table of ['openings', 'fixtures'] as const)
    for (const row of edit.all(table))
      if (row.wallId === after.id) {
        const trouble = edit.put(table, { ...row, left: Math.max(0, tidy(row.left - next)) } as never);
        if (trouble) return trouble;
      }
  const trouble =
    edit.put('walls', { ...wall, length: tidy(wall.length - along), turn: tidy(first) }) ??
    edit.put('walls', { ...after, length: tidy(after.length - next) });
  if (trouble) return trouble;
  const shifted = after.seq === 0 ? shiftAll(edit, -next) : null;
  if (shifted) return shifted;
  const fresh = orderedWalls(edit);
  fresh.splice(wall.seq + 1, 0, { id: newId, seq: -1, length: tidy(slant), turn: tidy(wall.turn - first), name: '' });
  return renumber(edit, fresh);
}

/** The first wall begins later, and it begins at the origin: everything with a place of its own moves along with the room. */
function shiftAll(edit: Edit, dy: number): Ran {
  for (const table of ['units', 'stations', 'floorUses', 'parkings', 'fixtures'] as const)
    for (const row of edit.all(table)) {
      if (table === 'fixtures' && (row as { wallId: string | null }).wallId) continue;
      const trouble = edit.put(table, { ...row, y: tidy(row.y + dy) } as never);
      if (trouble) return trouble;
    }
  return null;
}
