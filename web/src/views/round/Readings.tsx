import { useEffect } from 'react';
import { READING_KEYS, READING_WORDS, readingOf, READINGS, useReading } from '../../state/reading.ts';
import { singleKey } from '../../ui/single-keys.ts';

/** How Round is read: what is where, how far it is, how much of it; one key each. */
export function Readings() {
  const { reading } = useReading();
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const wanted = readingOf(singleKey(e));
      if (wanted) useReading.setState({ reading: wanted });
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <div
      role="group"
      aria-label="What Round tells"
      className="inline-flex overflow-hidden rounded-full border border-edge text-[13px]"
    >
      {READINGS.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={one === reading}
          title={`${READING_WORDS[one]} ( ${READING_KEYS[one].toUpperCase()} )`}
          className={`px-2.5 py-1 ${one === reading ? 'bg-ink text-paper' : 'bg-paper hover:text-heron'}`}
          onClick={() => useReading.setState({ reading: one })}
        >
          {READING_WORDS[one]}
        </button>
      ))}
    </div>
  );
}
