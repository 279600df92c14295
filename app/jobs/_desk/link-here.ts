import { toast } from 'sonner';

/** The address of a screen at a member's station, as a person would send it on. */
export function addressOf(page: string, memberId: string, station: string): string {
  const url = new URL(page);
  const part = url.searchParams.get('part');
  url.search = new URLSearchParams({ member: memberId, station, ...(part && { part }) }).toString();
  url.hash = '';
  return url.toString();
}

/** Copies an address; where the browser lets no page do that (a shop's plain HTTP) it is shown to be copied by hand. */
export async function copyAddress(address: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(address);
    toast('The link to this place is copied');
  } catch {
    toast('This browser lets no page copy: take the link from here', {
      description: address,
      duration: 20_000,
    });
  }
}
