/** A button that takes a photo with the camera, or chooses one. */
import { Camera } from 'lucide-react';
import type { ChangeEvent } from 'react';

interface Props {
  readonly label: string;
  readonly disabled?: boolean;
  readonly small?: boolean;
  readonly onFile: (file: File) => void;
}

export function TakePhoto({ label, disabled = false, small = false, onFile }: Props) {
  return (
    <label className={`btn btn-outline-primary wt-take${small ? ' btn-sm' : ''}${disabled ? ' disabled' : ''}`}>
      <Camera aria-hidden size={small ? 16 : 22} /> {label}
      <input
        type="file"
        accept="image/*"
        capture="environment"
        className="visually-hidden"
        disabled={disabled}
        onChange={(e: ChangeEvent<HTMLInputElement>) => {
          const [file] = e.target.files ?? [];
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
