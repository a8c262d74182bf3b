import { type RefObject, useEffect, useRef, useState } from 'react';

/** How large an element is laid out, kept up as it changes; null until it is. */
export function useSize<E extends Element>(): [
  RefObject<E | null>,
  { readonly width: number; readonly height: number } | null,
] {
  const ref = useRef<E>(null);
  const [size, setSize] = useState<{ readonly width: number; readonly height: number } | null>(null);
  useEffect(() => {
    if (!ref.current) return;
    const observer = new ResizeObserver(
      ([entry]) => entry && setSize({ width: entry.contentRect.width, height: entry.contentRect.height }),
    );
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}
