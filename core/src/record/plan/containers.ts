import { divideInside, natureOfKind, type Part } from '../catalogue/index.ts';
import { type CommandOf } from './commands.ts';
import { type Edit, gone, type Ran, reject } from './edit.ts';
import { mergeHome } from './home-commands.ts';
import { placeLater, saidOfPlace } from './blank.ts';
import { type Organiser, type Place } from './rows/index.ts';

/** What a container carries unless said otherwise: so much a litre, as if it were full of paper, and at least so much, g (own assumptions). */
const LOAD_A_LITRE = 800;
const LEAST_LOAD = 2000;

type Seat = Pick<Place, 'id' | 'name' | 'left' | 'front' | 'bottom' | 'turned' | 'column'>;

/** The place that a container makes inside the place it stands in. */
export function containerFrom(organiser: Organiser, holder: Place, seat: Seat): Place {
  return {
    ...placeLater(),
    unitId: holder.unitId,
    kind: 'container',
    row: 0,
    part: 0,
    ...seat,
    ...insideOf(organiser, seat.turned),
    opens: 'top',
    lockable: false,
    throughId: null,
    inId: holder.id,
    organiserId: organiser.id,
  };
}

/** What of a place follows from the container it is. */
function insideOf(organiser: Organiser, turned: boolean) {
  const { innerWidth, innerDepth, innerHeight, lid, seeThrough } = organiser;
  return {
    width: turned ? innerDepth : innerWidth,
    depth: turned ? innerWidth : innerDepth,
    height: innerHeight,
    covers: lid ? (['lid'] as const).slice() : [],
    seen: seeThrough || !lid,
    load: Math.max(LEAST_LOAD, Math.round((innerWidth * innerDepth * innerHeight * LOAD_A_LITRE) / 1e6)),
    nature: organiser.nature === natureOfKind('container') ? null : organiser.nature,
    pockets: organiser.pockets,
  };
}

/** Sets a container into a place, divided as its kind is. */
export function standIn(edit: Edit, command: CommandOf<'standIn'>): Ran {
  if (edit.get('places', command.id)) return reject('This container is in the plan already.');
  const organiser = edit.get('organisers', command.organiserId);
  const holder = edit.get('places', command.inId);
  if (!organiser) return gone('organisers');
  if (!holder) return gone('places');
  const { id, name, left, front, bottom, turned } = command;
  const column = edit.having('places', 'inId', holder.id).length;
  const place = containerFrom(organiser, holder, { id, name, left, front, bottom, turned, column });
  return edit.put('places', place) ?? (organiser.divided === '' ? null : divide(edit, id, organiser.divided));
}

/** Puts a container elsewhere with all that stands and lies in it. */
export function moveContainer(edit: Edit, { id, inId, left, front, bottom, turned }: CommandOf<'moveContainer'>): Ran {
  const place = edit.get('places', id);
  const holder = edit.get('places', inId);
  if (!place || !holder) return gone('places');
  if (place.organiserId === null) return reject(`${place.name} is a part of what it is in, and stays there.`);
  for (let in_: Place | undefined = holder; in_; in_ = in_.inId === null ? undefined : edit.get('places', in_.inId))
    if (in_.id === id) return reject(`${place.name} cannot stand in itself.`);
  const organiser = edit.get('organisers', place.organiserId);
  const quarter = turned !== place.turned;
  const size = quarter ? { width: place.depth, depth: place.width } : {};
  const column = place.inId === inId ? place.column : edit.having('places', 'inId', inId).length;
  const moved = { ...place, ...size, inId, left, front, bottom, turned, column, unitId: holder.unitId };
  const trouble = edit.put('places', moved) ?? rehang(edit, id, holder.unitId);
  if (trouble || !quarter || !organiser) return trouble;
  return organiser.divided === '' ? null : divide(edit, id, organiser.divided);
}

/** Everything that stands in a place is in the unit that the place is in. */
function rehang(edit: Edit, id: string, unitId: string): Ran {
  for (const place of edit.having('places', 'inId', id)) {
    const trouble =
      (place.unitId === unitId ? null : edit.put('places', { ...place, unitId })) ?? rehang(edit, place.id, unitId);
    if (trouble) return trouble;
  }
  // a box of its own that is kept in there goes along too
  for (const box of edit.having('units', 'keptInId', id)) {
    const trouble = box.hostId === unitId ? null : edit.put('units', { ...box, hostId: unitId });
    if (trouble) return trouble;
  }
  return null;
}

/** Takes a container out: what lies in it has no home then; a lane goes with its dividers. */
export function takeOut(edit: Edit, id: string): Ran {
  const place = edit.get('places', id);
  if (!place) return gone('places');
  if (place.organiserId === null) return reject(`${place.name} is a part of what it is in: divide that otherwise.`);
  return edit.takeOut('places', id);
}

const partId = (id: string, i: number) => `${id}.d${i + 1}`;

/**
 * Divides a place. Parts that were there before keep what they hold; what a part held that is there no more lies in the place itself again.
 */
export function divide(edit: Edit, id: string, into: string): Ran {
  const place = edit.get('places', id);
  if (!place) return gone('places');
  let parts: Part[] = [];
  if (into !== '') {
    const divided = divideInside(place, into);
    if (!divided.ok) return reject(`${place.name}: ${divided.reason}`);
    parts = divided.parts;
  }
  const now = edit.having('places', 'inId', id).filter((p) => p.organiserId === null);
  const wanted = new Set(parts.map((_, i) => partId(id, i)));
  for (const part of now) {
    if (wanted.has(part.id)) continue;
    const trouble = emptyInto(edit, part, place) ?? edit.takeOut('places', part.id);
    if (trouble) return trouble;
  }
  for (const [i, part] of parts.entries()) {
    const { under, ...shape } = part;
    const before = edit.get('places', partId(id, i));
    const row: Place = {
      ...placeLater(),
      unitId: place.unitId,
      row: 0,
      part: 0,
      opens: 'top',
      seen: true,
      lockable: false,
      throughId: null,
      ...(before?.kind === shape.kind ? saidOfPlace(before) : {}),
      id: partId(id, i),
      column: i,
      ...shape,
      // a name the maker gave stays
      name: before && before.name !== `${part.kind} ${i + 1}` && before.kind === part.kind ? before.name : part.name,
      load: Math.round(
        (place.load * (shape.width * shape.depth * shape.height)) / (place.width * place.depth * place.height),
      ),
      covers: under ? ['lid'] : [],
      inId: id,
    };
    const trouble = edit.put('places', row);
    if (trouble) return trouble;
  }
  return null;
}

/** What lies and stands in a part goes up into the place that the part is of. */
function emptyInto(edit: Edit, part: Place, place: Place): Ran {
  for (const home of edit.having('homes', 'placeId', part.id)) {
    const trouble = mergeHome(edit, home, place.id);
    if (trouble) return trouble;
  }
  for (const inner of edit.having('places', 'inId', part.id)) {
    const up = {
      ...inner,
      inId: place.id,
      left: inner.left + part.left,
      front: inner.front + part.front,
      bottom: inner.bottom + part.bottom,
    };
    const trouble =
      inner.organiserId === null
        ? (emptyInto(edit, inner, place) ?? edit.takeOut('places', inner.id))
        : edit.put('places', up);
    if (trouble) return trouble;
  }
  for (const box of edit.having('units', 'keptInId', part.id)) {
    const trouble = edit.put('units', { ...box, keptInId: place.id });
    if (trouble) return trouble;
  }
  return null;
}

/** Every container of a kind has the sizes of the kind, also when they were measured again. */
export function remeasured(edit: Edit, before: Organiser, organiser: Organiser): Ran {
  const keys = [
    'innerWidth',
    'innerDepth',
    'innerHeight',
    'lid',
    'seeThrough',
    'nature',
    'pockets',
    'divided',
  ] as const;
  if (keys.every((k) => before[k] === organiser[k])) return null;
  for (const place of edit.having('places', 'organiserId', organiser.id)) {
    const trouble =
      edit.put('places', { ...place, ...insideOf(organiser, place.turned) }) ??
      (organiser.divided !== before.divided || organiser.divided !== ''
        ? divide(edit, place.id, organiser.divided)
        : null);
    if (trouble) return trouble;
  }
  return null;
}
