import { useState } from 'react';
import Markdown from 'react-markdown';
import { linked, type Page, PAGES, titleOf } from './pages.ts';

const TEXTS = import.meta.glob<string>('../../../../docs/guide/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const PICTURES = import.meta.glob<string>('../../../../docs/screenshots/*.png', {
  query: '?url',
  import: 'default',
  eager: true,
});
const textOf = (page: Page): string => TEXTS[`../../../../docs/guide/${page}.md`] ?? '';

/** The guide, page by page, as it lies in docs/guide. */
export default function Guide({ first }: { first: Page }) {
  const [page, setPage] = useState(first);
  return (
    <div className="grid gap-4 sm:grid-cols-[11rem_1fr]">
      <nav aria-label="Pages of the guide" className="flex flex-wrap gap-x-3 sm:flex-col">
        {PAGES.map((p) => (
          <button
            key={p}
            type="button"
            aria-current={p === page ? 'page' : undefined}
            className={`min-h-7 text-left ${p === page ? 'font-semibold' : 'text-soft hover:text-ink'}`}
            onClick={() => setPage(p)}
          >
            {titleOf(textOf(p))}
          </button>
        ))}
      </nav>
      <article key={page} className="min-w-0 space-y-3">
        <Markdown
          components={{
            h1: ({ children }) => <h3 className="font-display text-lg font-semibold">{children}</h3>,
            ul: ({ children }) => <ul className="list-disc space-y-1 pl-5">{children}</ul>,
            ol: ({ children }) => <ol className="list-decimal space-y-1 pl-5">{children}</ol>,
            code: ({ children }) => <code className="rounded bg-stone px-1 font-sans text-[13px]">{children}</code>,
            img: ({ src, alt }) => (
              <img
                src={PICTURES[`../../../../docs/${String(src).replace('../', '')}`]}
                alt={alt ?? ''}
                loading="lazy"
                className="w-full rounded-lg border border-line"
              />
            ),
            a: ({ href, children }) => {
              const to = linked(href ?? '');
              return to === null ? (
                <>{children}</>
              ) : (
                <button type="button" className="text-heron underline" onClick={() => setPage(to)}>
                  {children}
                </button>
              );
            },
          }}
        >
          {textOf(page)}
        </Markdown>
      </article>
    </div>
  );
}
