import type { MetadataRoute } from 'next';

/** The floor as it is installed on a tablet. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Keramos, the floor',
    short_name: 'Keramos',
    start_url: '/floor',
    scope: '/',
    display: 'standalone',
    background_color: '#faf6ee',
    theme_color: '#f1eadd',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
