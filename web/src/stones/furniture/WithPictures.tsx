/** Whether a print shows the pictures of places and things. */
export function WithPictures({ on, onChange }: { on: boolean; onChange: (on: boolean) => void }) {
  return (
    <label className="flex min-h-7 items-center gap-2">
      <input type="checkbox" checked={on} onChange={(e) => onChange(e.target.checked)} />
      with pictures
    </label>
  );
}
