import { type Page } from 'playwright-core';
import { type Hand, withMouse } from './hands.ts';

/** Twenty things as one writes them, for one cupboard. */
export const TWENTY = `24 small ink pads
3 scissors
masking tape
2 rolls of washi tape
seam ripper
12 tubes acrylic paint
6 brushes
glue sticks
50 envelopes A6
2 packs of 50 white A6 card blanks
hole punch
ruler
craft knife
20 spools of thread
button jar
bone folder
stapler
8 felt pens
pencils
eraser`;

/** Twenty-five more, spoken, in inches. */
export const SPOKEN = `cutting mat 18 x 24
rotary cutter
2 quilting rulers 6 x 24
fabric scissors
3 boxes of pins
5 packs of needles
15 fat quarters
batting
a quart jar of buttons
elastic, 1 inch wide
12 zippers
bias tape
sewing machine 16 x 12 x 14 30 lb
6 bobbins
seam gauge
tracing paper
tailor's chalk
iron
2 spray bottles
10 sheets of felt 9 x 12
embroidery hoop 8 in dia
24 skeins of embroidery floss
ribbon
hot glue gun
pinking shears`;

const TABLE_HEAD = ['Thing', 'Dims', 'How many', 'Family', 'Used for'];
const FAMILIES = [
  ['Card', '12 x 12 x 1/2', 'Cards'],
  ['Stamps', '6 x 4 x 1/4', 'Cards'],
  ['Ink pads', '3 x 3 x 3/4', 'Cards'],
  ['Yarn', '7 x 3 x 3', 'Knitting'],
  ['Hooks and needles', '8 x 1/4 x 1/4', 'Knitting'],
  ['Ribbon', '3 dia x 1', 'Cards'],
] as const;

/** A list of forty-eight things of one’s own, under headings of one’s own. */
export const OWN_TABLE = [
  TABLE_HEAD,
  ...FAMILIES.flatMap(([family, dims, use]) =>
    Array.from({ length: 8 }, (_, i) => [`${family} no. ${i + 1}`, dims, String(1 + (i % 3)), family, use]),
  ),
]
  .map((row) => row.map((cell) => `"${cell}"`).join(','))
  .join('\n');

/** The next thing that is to be done, in the line that says it. */
const next = (page: Page) => page.getByRole('region', { name: 'The next thing' });

/** One cupboard, tonight: from the first page to its printed map; gives the name of the file that is printed. */
export async function cupboardTonight(page: Page, url: string, { press, write }: Hand = withMouse): Promise<string> {
  await page.goto(url);
  await press(page.getByRole('button', { name: 'cupboard', exact: true }));
  await next(page).getByText('Say what you have').waitFor();
  await press(next(page).getByRole('button', { name: 'Do this' }));
  await page.waitForFunction(() => document.activeElement?.id === 'lines');
  await write(page.locator('#lines'), TWENTY);
  await page.getByText(/^20 things/).waitFor();
  await page.keyboard.press('Control+Enter');
  await next(page)
    .getByText(/^Now near and far are known. Find homes for/)
    .waitFor();
  await press(next(page).getByRole('button', { name: 'Do this' }));
  await page.getByRole('heading', { name: 'What lives where' }).waitFor();
  await next(page)
    .getByText(/(Everything|All but .*) has its place/)
    .waitFor();
  const [map] = await Promise.all([
    page.waitForEvent('download'),
    press(next(page).getByRole('button', { name: 'Do this' })),
  ]);
  return map.suggestedFilename();
}

/** The trial’s hour, in inches: a room of odd size, five units, two people, three activities, a list and spoken lines, to the first homes. */
export async function wholeHour(page: Page, url: string, { press, write }: Hand = withMouse): Promise<void> {
  /** On a phone the stones lie behind a press. */
  const toStone = async (name: RegExp): Promise<void> => {
    const all = page.getByRole('button', { name: 'All stones' });
    if (await all.isVisible()) await press(all);
    await press(page.getByRole('link', { name }));
  };
  await page.goto(url);
  await press(page.getByLabel('inches', { exact: true }));
  await write(page.locator('#new-name'), 'Sewing room');
  for (const [i, length] of ['11\' 7"', '9\' 2 1/2"', '11\' 7"', '9\' 2 1/2"'].entries())
    await write(page.getByLabel(`Wall ${i + 1}`), length);
  await press(page.getByRole('button', { name: 'Begin' }));
  await next(page).getByText('The walls close: now it can be furnished.').waitFor();
  await press(next(page).getByRole('button', { name: 'Do this' }));
  await press(page.getByRole('menuitem', { name: /^Work table/ }));
  await next(page)
    .getByText(/^Sit down at Work table/)
    .waitFor();
  await press(next(page).getByRole('button', { name: 'Do this' }));
  for (const kind of ['Low chest', 'Bookcase', 'Three-tier cart', 'Small-drawer block']) {
    await press(page.getByRole('button', { name: 'Bring in a unit' }));
    await press(page.getByRole('menuitem', { name: new RegExp(`^${kind}`) }));
    await page.waitForSelector(`[data-unit][aria-label="${kind}"]`);
  }
  // who, and what
  await toStone(/Activities/);
  await press(page.getByRole('button', { name: 'Someone' }));
  const height = page.getByLabel('Height without shoes', { exact: true });
  await write(height, '5\' 4"');
  await page.keyboard.press('Enter');
  for (const [i, what] of ['Sewing', 'Cards', 'Knitting'].entries()) {
    if (i > 0) await press(page.getByRole('button', { name: 'Another', exact: true }));
    const name = page.getByLabel('What is made', { exact: true });
    await write(name, what);
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: what, exact: true, pressed: true }).waitFor();
    if (i === 0) continue;
    await press(page.getByRole('button', { name: 'Where it lives', exact: true }));
    await press(page.getByRole('button', { name: 'Give it a seat' }));
    await page.getByLabel('posture').waitFor();
  }
  // a list of one’s own, then what is spoken
  await toStone(/Supplies/);
  await press(page.getByRole('navigation', { name: 'Supplies' }).getByRole('button', { name: 'A table of your own' }));
  await page.locator('input[aria-label="A list as CSV or text"]').setInputFiles({
    name: 'my list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(OWN_TABLE),
  });
  await press(page.getByRole('button', { name: 'Take over 48' }));
  await page
    .getByText(/48 new supplies|48 supplies/)
    .first()
    .waitFor();
  await press(page.getByRole('navigation', { name: 'Supplies' }).getByRole('button', { name: 'Lines' }));
  await write(page.locator('#lines'), SPOKEN);
  await page.getByText(/^25 things/).waitFor();
  await page.keyboard.press('Control+Enter');
  await page.getByText('What each line was taken for').waitFor();
  // which of them for what: one key a family
  await toStone(/Activities/);
  await press(page.getByRole('button', { name: 'Sewing', exact: true }));
  await press(page.getByRole('button', { name: 'What it reaches for', exact: true }));
  await press(page.getByRole('button', { name: 'By family', exact: true }));
  const families = page.getByRole('list', { name: 'Families' });
  await families.waitFor();
  for (const family of await families.getByRole('button', { pressed: false }).allInnerTexts()) {
    const own = FAMILIES.some(([name]) => family.includes(name));
    const key = /^(\w)\b/.exec(family.trim())?.[1];
    if (own || key === undefined) continue;
    await page.keyboard.press(key);
    await families.getByRole('button', { name: family, exact: true, pressed: true }).waitFor();
  }
  await toStone(/Homes/);
  await next(page)
    .getByText(/Find homes for \d+ things/)
    .waitFor();
  await press(next(page).getByRole('button', { name: 'Do this' }));
  await page.getByRole('heading', { name: 'What lives where' }).waitFor();
}
