import { toast } from 'sonner';

/** A part of a page that comes with its first use. Where it does not come, out of reach of the server, that is said once and nothing is answered. */
export async function loadedLater<Part>(load: () => Promise<Part>): Promise<Part | undefined> {
  try {
    return await load();
  } catch {
    toast.error('A part of this page did not come.', {
      id: 'part of a page',
      description: 'Load the page again when the server is in reach; nothing recorded is lost.',
    });
    return undefined;
  }
}
