/** Something a print has or has not. */
export function Check({ words, on, onChange }: { words: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex min-h-7 items-center gap-2">
      <input type="checkbox" checked={on} onChange={(e) => onChange(e.target.checked)} />
      {words}
    </label>
  );
}
