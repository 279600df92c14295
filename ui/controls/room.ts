'use client';

import { useEffect, useRef, useState } from 'react';

/** How wide there is room for a drawing, px, as the page is turned or made narrower; never less than a phone's. */
export function useRoom() {
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(760);
  useEffect(() => {
    const observer = new ResizeObserver(
      ([entry]) => entry && setWidth(Math.max(280, Math.floor(entry.contentRect.width))),
    );
    if (holder.current) observer.observe(holder.current);
    return () => observer.disconnect();
  }, []);
  return { holder, width };
}
