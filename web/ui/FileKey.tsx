/** A key that asks the device for a file, or for a photo. */
import type { ChangeEvent, ReactNode } from 'react';
import { buttonClass } from './button-class.ts';
import { cx } from './cx.ts';
import css from './FileKey.module.css';

interface Props {
  readonly accept: string;
  /** Opens the camera of a device that has one. */
  readonly camera?: boolean;
  readonly look?: 'main' | 'usual';
  readonly size?: 'sm' | undefined;
  readonly disabled?: boolean;
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
}

export function FileKey({ accept, camera = false, look = 'usual', size, disabled = false, onFile, children }: Props) {
  const choose = (e: ChangeEvent<HTMLInputElement>): void => {
    const [file] = e.target.files ?? [];
    // The same file may be chosen again.
    e.target.value = '';
    if (file) onFile(file);
  };
  return (
    <label className={buttonClass(look, size, cx(css.key, disabled && 'disabled'))}>
      {children}
      <input
        type="file"
        accept={accept}
        {...(camera ? { capture: 'environment' as const } : {})}
        className="visually-hidden"
        disabled={disabled}
        onChange={choose}
      />
    </label>
  );
}
