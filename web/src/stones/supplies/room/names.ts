import { type TapeName } from '@heronstone/core/stock';

/** What each kind of room is called. */
export const TAPE_NAMES: Record<TapeName, string> = {
  drawer: 'Drawers and boxes',
  board: 'Boards',
  shelf: 'Shelves and cubbies',
  hanging: 'Hooks and rails',
  bin: 'Bins',
  pile: 'Piles of sheets',
  pocket: 'Binder pockets',
};
