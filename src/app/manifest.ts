import type { MetadataRoute } from 'next';

/** What a phone needs to install the ramp. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Groval ramp',
    short_name: 'Groval',
    start_url: '/ramp',
    scope: '/',
    display: 'standalone',
    background_color: '#ffffff',
    theme_color: '#ffffff',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
