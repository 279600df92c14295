import type { MetadataRoute } from 'next';

/** Lets a device keep the program as one of its own. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Ossatura',
    short_name: 'Ossatura',
    description: 'Frame inspection and repair',
    start_url: '/',
    display: 'standalone',
    background_color: '#f3eee4',
    theme_color: '#22252b',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
