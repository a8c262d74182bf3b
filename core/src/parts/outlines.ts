/** A drawn outline that ships with the app: paths in a box whose width is taken as the view's true width. */
export interface Outline {
  readonly id: string;
  readonly name: string;
  /** In its own units. */
  readonly boxWidth: number;
  /** In its own units. */
  readonly boxHeight: number;
  /** Closed shapes, drawn as the piece's skin. */
  readonly skin: readonly string[];
  /** Open lines, drawn fainter inside. */
  readonly creases: readonly string[];
}

/** Made-up pieces of the Saltmarsh Lantern Parade, and plain shapes to begin from. */
export const outlines: readonly Outline[] = [
  {
    id: 'anglerfish',
    name: 'Anglerfish headdress',
    boxWidth: 420,
    boxHeight: 300,
    skin: [
      'M58 176 C60 128 104 88 168 76 C214 68 272 74 316 96 C338 107 352 122 360 138 C376 128 396 112 410 104 C404 130 400 150 402 170 C404 192 410 214 412 236 C394 230 374 214 360 200 C346 232 306 258 252 270 C196 282 128 274 92 246 C70 230 58 206 58 176 Z',
      'M176 75 C168 46 146 26 112 20 C92 17 74 20 60 28 C80 26 100 28 116 36 C138 46 150 60 154 79 Z',
    ],
    creases: [
      'M66 196 C108 208 158 206 204 192 C232 184 252 172 264 156',
      'M76 222 C118 238 178 236 226 216 C248 206 266 190 274 172',
      'M300 150 C318 160 326 178 320 198',
      'M314 144 C336 158 342 184 332 206',
      'M196 78 C206 96 226 106 250 104',
      'M236 74 C246 90 264 98 284 96',
    ],
  },
  {
    id: 'lighthouse',
    name: 'Lighthouse',
    boxWidth: 240,
    boxHeight: 420,
    skin: [
      'M92 92 L148 92 L168 372 L72 372 Z',
      'M84 72 L156 72 L156 92 L84 92 Z',
      'M96 34 L144 34 L144 72 L96 72 Z',
      'M90 34 C100 14 140 14 150 34 Z',
      'M40 372 L200 372 L212 400 L28 400 Z',
    ],
    creases: [
      'M86 170 L154 170',
      'M80 250 L160 250',
      'M76 320 L164 320',
      'M112 372 L112 346 C112 336 128 336 128 346 L128 372',
    ],
  },
  {
    id: 'cloak',
    name: 'Cloak',
    boxWidth: 360,
    boxHeight: 420,
    skin: [
      'M138 32 C160 50 200 50 222 32 C262 44 280 66 288 96 L332 384 C284 404 238 392 180 396 C122 392 76 404 28 384 L72 96 C80 66 98 44 138 32 Z',
    ],
    creases: ['M180 46 L180 394', 'M120 60 C112 160 96 280 84 388', 'M240 60 C248 160 264 280 276 388'],
  },
  {
    id: 'jellyfish',
    name: 'Jellyfish parasol',
    boxWidth: 400,
    boxHeight: 440,
    skin: [
      'M32 168 C36 78 112 24 200 24 C288 24 364 78 368 168 C352 180 340 158 322 168 C304 182 290 158 270 168 C250 182 236 158 216 168 C206 174 194 174 184 168 C164 158 150 182 130 168 C110 158 96 182 78 168 C60 158 48 180 32 168 Z',
    ],
    creases: [
      'M200 24 L200 420',
      'M200 26 C160 60 136 110 130 166',
      'M200 26 C240 60 264 110 270 166',
      'M200 26 C120 50 84 108 78 166',
      'M200 26 C280 50 316 108 322 166',
    ],
  },
  {
    id: 'reliquary',
    name: 'Reliquary',
    boxWidth: 280,
    boxHeight: 320,
    skin: [
      'M40 276 L40 96 C40 40 96 22 140 22 C184 22 240 40 240 96 L240 276 Z',
      'M22 276 L258 276 L268 304 L12 304 Z',
      'M128 22 C128 8 152 8 152 22 Z',
    ],
    creases: [
      'M62 92 L218 92 L218 248 L62 248 Z',
      'M40 262 L240 262',
      'M72 84 C76 58 104 44 140 44 C176 44 204 58 208 84',
    ],
  },
  {
    id: 'float',
    name: 'Mooring float',
    boxWidth: 240,
    boxHeight: 360,
    skin: [
      'M120 62 C186 62 214 116 210 172 C206 236 168 284 120 284 C72 284 34 236 30 172 C26 116 54 62 120 62 Z',
      'M112 62 L112 34 C112 14 128 14 128 34 L128 62 Z',
      'M120 284 C144 284 152 300 152 316 C152 338 138 348 120 348 C102 348 88 338 88 316 C88 300 96 284 120 284 Z',
    ],
    creases: [
      'M32 150 C80 168 160 168 208 150',
      'M34 196 C82 214 158 214 206 196',
      'M120 300 C132 300 138 308 138 318 C138 328 130 334 120 334 C110 334 102 328 102 318 C102 308 108 300 120 300 Z',
    ],
  },
  {
    id: 'jar',
    name: 'Stepping-stone lantern',
    boxWidth: 300,
    boxHeight: 320,
    skin: [
      'M58 92 C46 112 42 140 42 172 L42 252 C42 284 66 298 96 298 L204 298 C234 298 258 284 258 252 L258 172 C258 140 254 112 242 92 Z',
      'M64 40 L236 40 C244 40 246 46 246 52 L246 92 L54 92 L54 52 C54 46 56 40 64 40 Z',
    ],
    creases: ['M54 60 L246 60', 'M54 76 L246 76', 'M66 272 C96 284 204 284 234 272', 'M62 140 L62 240'],
  },
  {
    id: 'beacon',
    name: 'Harbour beacon',
    boxWidth: 260,
    boxHeight: 420,
    skin: [
      'M104 128 L156 128 L176 372 L84 372 Z',
      'M92 108 L168 108 L168 128 L92 128 Z',
      'M106 60 L154 60 L154 108 L106 108 Z',
      'M98 60 C108 34 152 34 162 60 Z',
      'M48 372 L212 372 L226 404 L34 404 Z',
    ],
    creases: ['M98 196 L162 196', 'M93 262 L167 262', 'M88 326 L172 326', 'M130 60 L130 108', 'M130 34 L130 18'],
  },
  {
    id: 'wand',
    name: 'Wand or staff',
    boxWidth: 600,
    boxHeight: 120,
    skin: ['M30 52 L440 46 C470 20 540 16 572 60 C540 104 470 100 440 74 L30 68 C20 66 20 54 30 52 Z'],
    creases: ['M150 50 L150 70', 'M164 50 L164 70', 'M440 46 L440 74'],
  },
  {
    id: 'panel',
    name: 'Plain panel',
    boxWidth: 400,
    boxHeight: 280,
    skin: ['M16 16 L384 16 L384 264 L16 264 Z'],
    creases: [],
  },
];
