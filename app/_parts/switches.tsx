'use client';

import { Moon, Sun } from 'lucide-react';
import type { UnitSystem } from '@/core/quantity';

const remember = (name: string, value: string) => {
  document.cookie = `${name}=${value}; path=/; max-age=31536000; samesite=lax`;
};

export function ThemeSwitch() {
  const turn = () => {
    const next = document.documentElement.dataset.theme === 'dark' ? 'light' : 'dark';
    document.documentElement.dataset.theme = next;
    remember('ossatura-theme', next);
  };
  return (
    <button
      type="button"
      className="hit inline-flex items-center justify-center"
      onClick={turn}
      aria-label="Light or dark"
    >
      <Sun size={19} className="hidden [[data-theme=dark]_&]:block" aria-hidden />
      <Moon size={19} className="[[data-theme=dark]_&]:hidden" aria-hidden />
    </button>
  );
}

export function UnitSwitch({
  system,
  onChange,
}: {
  system: UnitSystem;
  onChange: (system: UnitSystem) => void;
}) {
  const other = system === 'in' ? 'mm' : 'in';
  return (
    <button
      type="button"
      className="hit px-1 text-soft"
      onClick={() => onChange(other)}
      aria-label={`Units: ${system}; switch to ${other}`}
    >
      <span className={system === 'in' ? 'border-b-[3px] border-here font-semibold text-ink' : ''}>in</span> /{' '}
      <span className={system === 'mm' ? 'border-b-[3px] border-here font-semibold text-ink' : ''}>mm</span>
    </button>
  );
}
