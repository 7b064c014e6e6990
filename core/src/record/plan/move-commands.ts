import { type CommandOf } from './commands.ts';
import { type Edit, gone, type Ran, reject } from './edit.ts';
import { assignHome } from './home-commands.ts';
import { amountOf } from './plan.ts';

/** The order of moves to be made: what is left of an earlier one goes. */
export function planMoves(edit: Edit, { moves }: CommandOf<'planMoves'>): Ran {
  for (const { id } of edit.all('moves')) edit.remove('moves', id);
  for (const move of moves) {
    if (edit.get('moves', move.id)) return reject('A move is there twice.');
    const trouble = edit.put('moves', move);
    if (trouble) return trouble;
  }
  return null;
}

/** A move has been made: the thing lives where it was carried to; in the tray it has no home. */
export function makeMove(edit: Edit, { id, since }: CommandOf<'makeMove'>): Ran {
  const move = edit.get('moves', id);
  if (!move) return gone('moves');
  if (move.doneOn !== null) return reject('This move has been made already.');
  const { supplyId, share, fromId, toId, count } = move;
  const homes = edit.having('homes', 'supplyId', supplyId).filter((h) => h.share === share);
  const from = fromId === null ? undefined : homes.find((h) => h.placeId === fromId);
  if (fromId !== null && !from)
    return reject(
      `${edit.get('supplies', supplyId)?.name ?? 'It'} does not live there any more. Plan the moves again.`,
    );
  if (from?.pinned) return reject(`${edit.get('supplies', supplyId)?.name ?? 'It'} is pinned where it is.`);
  const part = count !== null && (from === undefined || from.count === null || count < from.count);
  const trouble =
    toId === null
      ? intoTray(edit, from!.id, part ? count : null)
      : assignHome(edit, {
          type: 'assignHome',
          supplyId,
          share,
          placeId: toId,
          since,
          ...(from ? { homeId: from.id } : {}),
          ...(part ? { count } : {}),
        });
  return trouble ?? edit.put('moves', { ...move, doneOn: since });
}

function intoTray(edit: Edit, homeId: string, count: number | null): Ran {
  const home = edit.get('homes', homeId)!;
  const supply = edit.get('supplies', home.supplyId)!;
  if (count === null) {
    edit.remove('homes', homeId);
    return null;
  }
  const others = edit
    .having('homes', 'supplyId', home.supplyId)
    .filter((h) => h.share === home.share && h.id !== homeId);
  const held = home.count ?? amountOf(supply, home.share) - others.reduce((sum, h) => sum + (h.count ?? 0), 0);
  if (count >= held) edit.remove('homes', homeId);
  else return edit.put('homes', { ...home, count: held - count });
  return null;
}
