/**
 * The browser that tests, benchmarks and pictures are driven in: Debian's Chromium without a window. (Its headless shell is
 * somewhat quicker, but of some two hundred tests it lost a click or two in every run.)
 */
export const browser = {
  package: 'chromium',
  launch: {
    executablePath: '/usr/bin/chromium',
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
