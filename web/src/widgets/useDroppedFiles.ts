import { useEffect, useRef } from 'react';

/** Whether a hand that drags or pastes something here has a file in it. */
const hasFile = (data: DataTransfer | null): boolean => data?.types.includes('Files') ?? false;

/** Takes a file that is dropped anywhere on the page, or pasted: unheeded, the browser would leave the page for it. */
export function useDroppedFiles(onFile: (file: File) => void): void {
  const take = useRef(onFile);
  take.current = onFile;
  useEffect(() => {
    const over = (event: DragEvent): void => {
      if (hasFile(event.dataTransfer)) event.preventDefault();
    };
    const drop = (event: DragEvent): void => {
      const file = event.dataTransfer?.files[0];
      // A field of its own kind that takes files keeps them.
      if (!file || (event.target instanceof Element && event.target.closest('input[type="file"]'))) return;
      event.preventDefault();
      take.current(file);
    };
    const paste = (event: ClipboardEvent): void => {
      const file = event.clipboardData?.files[0];
      if (!file) return;
      event.preventDefault();
      take.current(file);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    window.addEventListener('paste', paste);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
      window.removeEventListener('paste', paste);
    };
  }, []);
}
