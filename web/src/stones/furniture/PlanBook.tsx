import { useState } from 'react';
import { type ChapterName } from '@heronstone/core/book';
import { type Paper } from '@heronstone/core/drawings';
import { usePlan } from '../../state/plan-store.ts';
import { usePrinting } from '../../state/printing.ts';
import { Button } from '../../ui/button.tsx';
import { fileName } from '../../ui/file-name.ts';
import { Working } from '../../ui/working.tsx';
import { CheckField } from '../../ui/fields/index.ts';

/** Chapters as they are chosen, in the order of the book. */
const CHAPTERS: readonly (readonly [ChapterName, string])[] = [
  ['room', 'floor and walls'],
  ['zones', 'zones'],
  ['units', 'what lives where'],
  ['people', 'people and seats'],
  ['care', 'with care'],
  ['index', 'everything, A to Z'],
  ['colours', 'colours'],
  ['buying', 'to buy'],
  ['cutting', 'cutting'],
  ['labels', 'labels'],
  ['seasons', 'seasons'],
  ['days', 'doing it'],
];
const PAPERS: readonly (readonly [Paper, string])[] = [
  ['a4', 'A4'],
  ['letter', 'US Letter'],
];

/** The whole plan as one print: chapters are chosen, it is written beside the screen. */
export function PlanBook() {
  const name = usePlan((s) => s.plan.head.name);
  const { work, print } = usePrinting();
  const [left, setLeft] = useState<ReadonlySet<ChapterName>>(new Set());
  const [pictures, setPictures] = useState(false);
  const chapters = CHAPTERS.flatMap(([id]) => (left.has(id) ? [] : [id]));
  const book = (paper: Paper) =>
    print(
      fileName(name, 'plan book', 'pdf'),
      paper,
      (api, how, tell) => api.book(usePlan.getState().plan, { ...how, chapters }, tell),
      pictures ? usePlan.getState().plan : null,
    );
  const toggle = (id: ChapterName) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  return (
    <section aria-label="Plan book">
      <h3 className="font-display font-semibold">Plan book</h3>
      <p className="text-soft">The whole plan as one print: the room as seen from your seat, then these chapters.</p>
      <ul className="my-2 grid grid-cols-2 gap-x-4 sm:grid-cols-3">
        {CHAPTERS.map(([id, words]) => (
          <li key={id}>
            <CheckField label={words} checked={!left.has(id)} onCommit={() => toggle(id)} />
          </li>
        ))}
        <li>
          <CheckField label="with pictures" checked={pictures} onCommit={setPictures} />
        </li>
      </ul>
      <Working work={work} words="writing the book" />
      {work.share === null && (
        <span className="flex gap-2">
          {PAPERS.map(([paper, words]) => (
            <Button
              key={paper}
              look={paper === 'a4' ? 'main' : undefined}
              disabled={chapters.length === 0}
              onClick={() => book(paper)}
            >
              Book, {words}
            </Button>
          ))}
        </span>
      )}
    </section>
  );
}
