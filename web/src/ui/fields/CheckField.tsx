export function CheckField({
  label,
  checked,
  onCommit,
}: {
  label: string;
  checked: boolean;
  onCommit: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-center gap-2 py-0.5">
      <input
        type="checkbox"
        className="size-4 accent-heron"
        checked={checked}
        onChange={(e) => onCommit(e.target.checked)}
      />
      {label}
    </label>
  );
}
