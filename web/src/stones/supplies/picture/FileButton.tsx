import { Camera, FileImage } from 'lucide-react';

export function FileButton({
  label,
  camera,
  onFile,
}: {
  label: string;
  camera?: boolean;
  onFile: (file: File) => Promise<void>;
}) {
  const Icon = camera ? Camera : FileImage;
  return (
    <label className="inline-flex min-h-8 cursor-pointer items-center gap-1.5 rounded-full border border-edge bg-paper px-3 py-1 font-medium focus-within:outline-2 hover:border-heron">
      <Icon size={15} aria-hidden /> {label}
      <input
        type="file"
        accept="image/*"
        {...(camera ? { capture: 'environment' as const } : {})}
        className="sr-only"
        aria-label={label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void onFile(file);
        }}
      />
    </label>
  );
}
