/** A button that takes a photo with the camera, or chooses one. */
import { Camera } from 'lucide-react';
import { FileKey } from '../ui/FileKey.tsx';

interface Props {
  readonly label: string;
  readonly disabled?: boolean;
  readonly small?: boolean;
  readonly onFile: (file: File) => void;
}

export function TakePhoto({ label, disabled = false, small = false, onFile }: Props) {
  return (
    <FileKey accept="image/*" camera size={small ? 'sm' : undefined} disabled={disabled} onFile={onFile}>
      <Camera aria-hidden size={small ? 16 : 22} /> {label}
    </FileKey>
  );
}
