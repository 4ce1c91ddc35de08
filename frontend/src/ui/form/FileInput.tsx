/** A file from this device; the same one may be chosen again. */
export function FileInput({ accept, onFile }: { accept: string; onFile(file: File): void }) {
  return (
    <label className="mt-4 block">
      <span className="text-quiet">File</span>
      <input
        type="file"
        accept={accept}
        className="file-input mt-1 block min-h-11 w-full sm:w-96"
        onClick={(event) => {
          event.currentTarget.value = "";
        }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
