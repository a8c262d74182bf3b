/**
 * The browser that tests, benchmarks and pictures are driven in: Debian's Chromium without a window. The shell starts
 * no renderer for an interface of its own, which costs the full browser a third of a core for each page.
 */
export const browser = {
  package: 'chromium-headless-shell',
  launch: {
    executablePath: '/usr/bin/chromium-headless-shell',
    args: [
      '--no-sandbox',
      '--disable-quic',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--no-first-run',
    ],
  },
};
