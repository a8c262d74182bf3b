import { type TableHTMLAttributes, useEffect, useRef, useState } from 'react';

/** A table that, where it is wider than its sheet, is shifted by itself: by touch, wheel or arrow keys. */
export function Table(props: TableHTMLAttributes<HTMLTableElement>) {
  const ref = useRef<HTMLDivElement>(null);
  const [isWide, setWide] = useState(false);
  useEffect(() => {
    const box = ref.current;
    if (!box) return;
    const observer = new ResizeObserver(() => setWide(box.scrollWidth > box.clientWidth + 1));
    observer.observe(box);
    if (box.firstElementChild) observer.observe(box.firstElementChild);
    return () => observer.disconnect();
  }, []);
  return (
    <div ref={ref} className="relative overflow-x-auto print:overflow-visible" {...(isWide ? { tabIndex: 0 } : {})}>
      <table {...props} />
    </div>
  );
}
