'use client';

import { DropdownMenu } from 'radix-ui';
import { ChevronDown } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useBackCloses } from './back';
import { Cover } from './settling';

export function Menu({ label, children }: { label: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  useBackCloses(open, () => setOpen(false));
  return (
    <DropdownMenu.Root open={open} onOpenChange={setOpen}>
      <Cover open={open} />
      <DropdownMenu.Trigger className="hit inline-flex items-center gap-1 px-2 font-medium">
        {label} <ChevronDown size={16} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className="z-50 max-h-[75dvh] w-[340px] max-w-[94vw] overflow-y-auto border-2 border-ink bg-sheet py-1 text-ink"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** A file to take away. */
export function MenuLink({ href, children, note }: { href: string; children: ReactNode; note?: string }) {
  return (
    <DropdownMenu.Item asChild>
      <a
        href={href}
        download
        className="flex min-h-11 flex-col justify-center px-4 py-1 outline-none data-[highlighted]:bg-well"
      >
        <span>{children}</span>
        {note && <span className="caption">{note}</span>}
      </a>
    </DropdownMenu.Item>
  );
}

/** Something done from a menu. */
export function MenuAction({
  onSelect,
  children,
  note,
}: {
  onSelect: () => void;
  children: ReactNode;
  note?: string;
}) {
  return (
    <DropdownMenu.Item
      onSelect={onSelect}
      className="flex min-h-11 cursor-pointer flex-col justify-center px-4 py-1 outline-none data-[highlighted]:bg-well"
    >
      <span>{children}</span>
      {note && <span className="caption">{note}</span>}
    </DropdownMenu.Item>
  );
}
