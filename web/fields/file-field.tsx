type Props = { label: string; accept: string; disabled?: boolean; onFile: (file: File) => void };

/** A file to be read; the same one can be chosen again. */
export function FileField({ label, accept, disabled = false, onFile }: Props) {
  return (
    <label className="flex flex-wrap items-center gap-x-2">
      {label}
      <input
        type="file"
        accept={accept}
        className="file-input file-input-sm w-60"
        disabled={disabled}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
