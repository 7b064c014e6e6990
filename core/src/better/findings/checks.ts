/**
 * What is looked for: its heading, where the limit comes from, and the caution where somebody can be hurt. “Memory”: a published value
 * written down from memory.
 */
export const CHECKS = {
  overlap: { title: 'In each other', source: 'two things cannot be in one place', care: null },
  mount: { title: 'Held by nothing', source: 'common practice', care: 'What hangs or stands loose falls.' },
  passage: {
    title: 'Passage',
    source: '760 mm common practice; 915 mm for a wheelchair: 2010 ADA Standards 403.5.1 (memory)',
    care: null,
  },
  stand: { title: 'Nobody can stand before it', source: 'a body needs 460 mm (common practice)', care: null },
  exit: {
    title: 'Way out',
    source: 'common practice',
    care: 'A way out stays free to its full width.',
  },
  door: { title: 'Door sweep', source: 'the leaf’s own width', care: null },
  underSlope: { title: 'Higher than the room', source: 'the slope as measured', care: null },
  wheelchairDoor: {
    title: 'Door for a wheelchair',
    source: '815 mm clear and floor to open it: 2010 ADA Standards 404.2.3 and 404.2.4.1 (memory)',
    care: null,
  },
  drawer: { title: 'Opens fully', source: 'the drawer’s pull or the leaf’s width', care: null },
  before: { title: 'Room before it', source: 'a drawer’s pull and 600 mm for a person (common practice)', care: null },
  chair: { title: 'Chair room', source: '915 mm behind a desk (common practice)', care: null },
  fuseBoard: {
    title: 'Fuse board',
    source: 'working space 762 × 914 × 1981 mm: NEC 110.26 (memory)',
    care: 'In an emergency somebody must get at it at once.',
  },
  heater: {
    title: 'Heater',
    source: '914 mm from anything that burns: NFPA and CPSC advice for portable heaters (memory)',
    care: 'Things too near a heater catch fire.',
  },
  fire: {
    title: 'Open fire or stove',
    source: '914 mm from anything that burns: NFPA advice (memory); its own plate and the local code come first',
    care: 'Sparks and glow set fire to what is near. The chimney, and the plate before it, are work for licensed trades.',
  },
  wallHeater: {
    title: 'Electric heater on the wall',
    source: '305 mm from anything that burns: their manuals commonly (memory); its own comes first',
    care: 'Things too near a heater catch fire.',
  },
  radiator: {
    title: 'Radiator',
    source: '100 mm of air before and above it, no paper over it (common practice)',
    care: null,
  },
  kiln: {
    title: 'Kiln',
    source: '457 mm on every side: kilns’ own manuals commonly (memory); its own manual and the local code come first',
    care: 'It glows for hours. Its own circuit and its outlet for fumes are work for licensed trades; nobody leaves it alone with children.',
  },
  window: { title: 'Window', source: 'an opening window must be reached: 600 mm (common practice)', care: null },
  socket: { title: 'Socket', source: 'a socket must be reached (common practice)', care: null },
  cord: {
    title: 'Cord',
    source: 'the cord’s own length; extension cords are not for lasting use (common practice)',
    care: 'Cords across a way are tripped over.',
  },
  feed: { title: 'Feed length', source: 'the machine’s own feed, before and behind (common practice)', care: null },
  headroom: { title: 'Head height', source: 'the person’s stature in shoes', care: 'Slopes are met with the head.' },
  floorUse: { title: 'Other use of the floor', source: 'what the maker entered', care: null },
  sag: {
    title: 'Shelf sag',
    source: 'span / 600 under lasting load (common practice); stiffness after the Wood Handbook (memory)',
    care: null,
  },
  load: {
    title: 'Load of a place',
    source: 'its load as entered, or the usual one',
    care: 'What is overloaded breaks.',
  },
  wallLoad: {
    title: 'Hung load',
    source: 'the rated load of its fastening; 15 kg where none is known (own assumption)',
    care: 'What falls off a wall falls on somebody.',
  },
  tipping: {
    title: 'Tipping',
    source: 'fasten from 686 mm of height; 27 kg at the open edge: ASTM F2057-23 (memory)',
    care: 'Unfastened furniture tips over onto children who climb it.',
  },
  mains: {
    title: 'Mains load',
    source: 'the region’s socket circuit (memory)',
    care: 'Overloaded circuits and leads heat up.',
  },
  sun: { title: 'Direct sun', source: 'sun position by the SunCalc library; on the 21st of each month', care: null },
  light: {
    title: 'Light on the work',
    source: 'what the activity asks for; 500 lx usually: EN 12464-1 (memory)',
    care: null,
  },
  shadow: { title: 'Shadow of the hand', source: 'common practice: light from the other side', care: null },
  together: { title: 'Two at once', source: '600 mm of width for each (common practice)', care: null },
  travels: { title: 'Box or cart at its seat', source: 'its own size where it is worked at', care: null },
  kept: { title: 'Box put away', source: 'its outer size and 3 mm of play (common practice)', care: null },
  knees: {
    title: 'Room for the knees',
    source: '500 mm common practice; 760 mm for a wheelchair: 2010 ADA Standards 306.3 (memory)',
    care: null,
  },
  turning: {
    title: 'Room to turn a wheelchair',
    source: 'circle of 1525 mm and floor space of 760 × 1220 mm: 2010 ADA Standards 304 and 305 (memory)',
    care: null,
  },
  full: { title: 'Over-full', source: 'sizes as measured', care: null },
  organiser: { title: 'Organiser does not go in', source: 'outer size and 3 mm of play (common practice)', care: null },
  child: {
    title: 'Within a child’s reach',
    source: 'highest grip of each child (Drillis & Contini 1966, memory); from what it is kept, its parents say',
    care: 'Blades, needles, small magnets, poisons and hot tools away from children.',
  },
  apart: {
    title: 'Must be apart',
    source: 'common practice: the label and the safety sheet come first',
    care: 'Chemistry, blades, cells and hot tools each by themselves, as their labels say.',
  },
  unsayable: {
    title: 'Nobody can name it',
    source: 'one place, one thing that can be said (common practice)',
    care: null,
  },
  counts: { title: 'More than there are', source: 'the counts of the supply and of its homes', care: null },
  zoneSmall: { title: 'Zone too small', source: 'what belongs to it, with room to grow', care: null },
  zoneScattered: { title: 'Zone in far corners', source: 'seconds worked out from the motions', care: null },
  zoneBeside: {
    title: 'Zones that harm each other',
    source: 'common practice; beside: less than 1 m (own assumption)',
    care: null,
  },
  zoneHazard: {
    title: 'Zones that endanger each other',
    source: 'common practice; beside: less than 1 m (own assumption)',
    care: 'Keep what burns away from what is hot, and what cuts or poisons out of a child’s reach.',
  },
} as const satisfies Record<string, { title: string; source: string; care: string | null }>;

export type CheckName = keyof typeof CHECKS;

/** Said wherever a caution is shown. */
export const FIRST = 'Local codes, the maker’s manual and a licensed tradesperson come first.';
