import { countWords } from '../../../ui/words.ts';

export function Findings({ words, list }: { words: string; list: readonly string[] }) {
  if (list.length === 0) return null;
  return (
    <details className="text-[14px]">
      <summary className={`cursor-pointer ${words === 'brings' ? 'text-clash' : ''}`}>
        {words} {countWords(list.length, 'finding', 'findings')}
      </summary>
      <ul className="list-disc pl-4">
        {list.map((w) => (
          <li key={w}>{w}</li>
        ))}
      </ul>
    </details>
  );
}
