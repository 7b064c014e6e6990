import { type FloorMap } from '@heronstone/core/stations';

/** What a map on Floor is about: a seat (of a station) or a cart (a unit). */
export type Mapped = { map: FloorMap; of: 'seat' | 'cart'; id: string };
