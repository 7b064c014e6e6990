import { useState } from 'react';
import { part } from '../../parts/part.tsx';
import { View } from '../../parts/View.tsx';
import { Sheet } from '../../ui/sheet.tsx';
import { Keys } from './Keys.tsx';
import { type Page } from './pages.ts';

const Guide = part(() => import('./Guide.tsx'));

/** Behind the question mark: the page of the guide that speaks of where one is, and what every key does. */
export function Help({ page, onClose }: { page: Page; onClose: () => void }) {
  const [shown, setShown] = useState<'Guide' | 'Keys'>('Guide');
  return (
    <Sheet title={shown} onClose={onClose} wide>
      <div role="group" aria-label="Help" className="mb-3 flex gap-x-5 border-b border-line">
        {(['Guide', 'Keys'] as const).map((name) => (
          <button
            key={name}
            type="button"
            aria-pressed={name === shown}
            className={`-mb-px border-b-[3px] pb-1 ${name === shown ? 'border-heron font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
            onClick={() => setShown(name)}
          >
            {name === 'Guide' ? 'How it is done' : 'Keys'}
          </button>
        ))}
      </div>
      {shown === 'Keys' ? (
        <Keys />
      ) : (
        <View fallback={<p className="text-soft">One moment …</p>}>
          <Guide first={page} />
        </View>
      )}
    </Sheet>
  );
}
