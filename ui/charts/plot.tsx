'use client';

import { useEffect, useRef, useState } from 'react';
import type { Config, Data, Layout } from 'plotly.js';

/** A Plotly chart, loaded only when one is in sight, coloured from the tokens and drawn again when the theme turns. */
export function Plot({
  data,
  layout,
  label,
  height,
}: {
  data: (ink: Ink) => Data[];
  layout: (ink: Ink) => Partial<Layout>;
  label: string;
  height: number;
}) {
  const holder = useRef<HTMLDivElement>(null);
  const theme = useThemeTurns();
  const seen = useSeen(holder);
  useEffect(() => {
    if (!seen) return;
    let gone = false;
    const element = holder.current;
    void import('plotly.js-cartesian-dist-min').then(({ default: Plotly }) => {
      if (gone || !element) return;
      const ink = readInk(element);
      const config: Partial<Config> = { displayModeBar: false, responsive: true };
      void Plotly.react(element, data(ink), { ...base(ink, height), ...layout(ink) }, config);
    });
    return () => {
      gone = true;
    };
  }, [data, layout, height, theme, seen]);
  return <div ref={holder} className="chart" role="img" aria-label={label} style={{ height }} />;
}

/** Counts how often the theme was turned: colours are read anew. */
function useThemeTurns(): number {
  const [turns, setTurns] = useState(0);
  useEffect(() => {
    const observer = new MutationObserver(() => setTurns((n) => n + 1));
    observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
    return () => observer.disconnect();
  }, []);
  return turns;
}

/** Whether an element has been in sight, or nearly. */
function useSeen(holder: { readonly current: HTMLElement | null }): boolean {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const element = holder.current;
    if (seen || !element) return;
    const observer = new IntersectionObserver(
      (entries) => entries.some((entry) => entry.isIntersecting) && setSeen(true),
      { rootMargin: '100px' },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [holder, seen]);
  return seen;
}

export interface Ink {
  readonly ink: string;
  readonly soft: string;
  readonly rule: string;
  readonly oxide: string;
  readonly slate: string;
  readonly here: string;
  readonly sheet: string;
}

function readInk(element: HTMLElement): Ink {
  const style = getComputedStyle(element);
  const token = (name: string) => style.getPropertyValue(`--${name}`).trim();
  return {
    ink: token('ink'),
    soft: token('soft'),
    rule: token('rule'),
    oxide: token('oxide'),
    slate: token('slate'),
    here: token('here'),
    sheet: token('sheet'),
  };
}

const base = (ink: Ink, height: number): Partial<Layout> => ({
  height,
  margin: { l: 52, r: 12, t: 24, b: 38 },
  paper_bgcolor: 'rgba(0,0,0,0)',
  plot_bgcolor: 'rgba(0,0,0,0)',
  showlegend: false,
  font: { family: 'IBM Plex Sans Condensed, Arial Narrow, sans-serif', size: 13, color: ink.ink },
});
