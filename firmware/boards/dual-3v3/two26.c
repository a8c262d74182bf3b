/* Board file: a two-core 3.3 V controller at 125 MHz, bare metal, pins 1 to 26 along its edge (264 KB of memory, 2 MB of flash). One
 * core is used. Pins 1 to 23 are the lines 0 to 22 of the chip, pins 24 to 26 the lines 26 to 28, which its converter reads. Lines 0
 * to 15 are dimmed by hardware; each of the others would share its timer with one of those. What it says it says on pin 21, at
 * 115 200 baud, where the plan leaves that free. Registers stand here by address: make arm. */
#include "board.h"
#include "pins.h"
#include "show.h"

#define REG(address) (*(volatile uint32_t *)(address))
/* The same register again, where what is written sets or clears bits. */
#define SET(address) REG((address) + 0x2000u)
#define CLEAR(address) REG((address) + 0x3000u)

#define CLOCKS 0x40008000u
#define RESETS 0x4000c000u
#define IO_BANK 0x40014000u
#define PADS 0x4001c000u
#define CRYSTAL 0x40024000u
#define PLL_SYSTEM 0x40028000u
#define PLL_48 0x4002c000u
#define CONVERTER 0x4004c000u
#define SERIAL 0x40038000u
#define DIMMERS 0x40050000u
#define MICROSECONDS REG(0x40054028u)
#define TICKER REG(0x4005802cu)
#define LINES_IN REG(0xd0000004u)
#define LINES_SET REG(0xd0000014u)
#define LINES_CLEAR REG(0xd0000018u)
#define OUTPUTS_SET REG(0xd0000024u)
#define SYSTICK_CONTROL REG(0xe000e010u)
#define SYSTICK_RELOAD REG(0xe000e014u)
#define SYSTICK REG(0xe000e018u)

#define BY_SERIAL 2u
#define SAYS_LINE 20u
#define BY_DIMMER 4u
#define BY_PROGRAM 5u
/* A pad: what it bears at most (12 mA), its input on, its pull-up, or nothing at all for the converter. */
#define PAD_OUTPUT 0x72u
#define PAD_CONTACT 0x5au
#define PAD_ANALOG 0x80u

#define NO_LINE 32u
#define LINE_OF(pin) ((pin) == NO_PIN ? NO_LINE : (pin) <= 23 ? (uint32_t)(pin) - 1u : (uint32_t)(pin) + 2u)

static const uint8_t channel_pins[] = UG_CHANNEL_PINS;
static const uint8_t channel_low[] = UG_CHANNEL_LOW;
static const uint8_t line_pins[] = UG_LINE_PINS;
static const uint8_t control_pins[] = UG_CONTROL_PINS;
#if UG_TOLD > 0
static const uint8_t told_pins[][3] = UG_TOLD_PINS;
#endif

static void set_line(uint32_t line, uint8_t high) {
  if (line == NO_LINE) return;
  if (high) LINES_SET = 1u << line;
  else LINES_CLEAR = 1u << line;
}

static void hand_to(uint32_t line, uint32_t pad, uint32_t by) {
  REG(PADS + 4u + 4u * line) = pad;
  REG(IO_BANK + 4u + 8u * line) = by;
}

/* Its level first: what is lit while low must not flash when its line becomes an output. */
static void make_output(uint32_t line, uint8_t high) {
  if (line == NO_LINE) return;
  set_line(line, high);
  OUTPUTS_SET = 1u << line;
  hand_to(line, PAD_OUTPUT, BY_PROGRAM);
}

#if UG_GRID_LIGHTS > 0
#include "two26_scan.h"
#endif

/* How long of a round a line is high; two lines share a timer, each with its half. */
static void set_compare(uint32_t line, uint32_t light) {
  uint32_t compare = DIMMERS + 0x14 * (line >> 1) + 0x0c, half = 16u * (line & 1u);
  if (line > 15) return;
  REG(compare) = (REG(compare) & ~(0xffffu << half)) | light << half;
}

static void begin_pll(uint32_t base, uint32_t times, uint32_t first, uint32_t second) {
  REG(base) = 1;
  REG(base + 8) = times;
  CLEAR(base + 4) = 0x21;
  while (!(REG(base) & 0x80000000u)) {}
  REG(base + 12) = first << 16 | second << 12;
  CLEAR(base + 4) = 0x08;
}

/* 12 MHz of the crystal, 125 for the core, 48 for the converter, and a tick a microsecond. */
static void begin_clocks(void) {
  REG(CRYSTAL) = 0xaa0;
  REG(CRYSTAL + 12) = 47u * 64u;
  SET(CRYSTAL) = 0xfab000;
  while (!(REG(CRYSTAL + 4) & 0x80000000u)) {}
  CLEAR(CLOCKS + 0x3c) = 1;
  while (REG(CLOCKS + 0x44) != 1) {}
  REG(CLOCKS + 0x30) = 2;
  while (!(REG(CLOCKS + 0x38) & 4)) {}
  begin_pll(PLL_SYSTEM, 125, 6, 2);
  begin_pll(PLL_48, 100, 5, 5);
  REG(CLOCKS + 0x3c) = 0;
  SET(CLOCKS + 0x3c) = 1;
  while (REG(CLOCKS + 0x44) != 2) {}
  REG(CLOCKS + 0x64) = 0x100;
  REG(CLOCKS + 0x60) = 0x800;
  REG(CLOCKS + 0x48) = 0x800;
  TICKER = 0x200 | 12;
}

/* Out of reset: both clocks, lines and their pads, dimmers, timer, converter, serial line. */
#define WANTED (1u << 0 | 1u << 5 | 1u << 8 | 1u << 12 | 1u << 13 | 1u << 14 | 1u << 21 | 1u << 23)
/* Out of reset only once they have a clock of their own. */
#define CLOCKED (1u << 0 | 1u << 23)

#if UG_SAYS
/* 125 MHz / (16 · 115 200) = 67 and 52/64; eight bits, its buffer on, sending alone. */
static void begin_saying(void) {
  REG(SERIAL + 0x24) = 67;
  REG(SERIAL + 0x28) = 52;
  REG(SERIAL + 0x2c) = 0x70;
  REG(SERIAL + 0x30) = 0x101;
  hand_to(SAYS_LINE, PAD_OUTPUT, BY_SERIAL);
}
#endif

void board_begin(void) {
  uint32_t i;
  CLEAR(RESETS) = WANTED & ~CLOCKED;
  while ((REG(RESETS + 8) & (WANTED & ~CLOCKED)) != (WANTED & ~CLOCKED)) {}
  begin_clocks();
  CLEAR(RESETS) = WANTED;
  while ((REG(RESETS + 8) & WANTED) != WANTED) {}
  for (i = 0; i < sizeof channel_pins; i++) make_output(LINE_OF(channel_pins[i]), channel_low[i]);
#if UG_TOLD > 0
  for (i = 0; i < sizeof told_pins; i++) make_output(LINE_OF((&told_pins[0][0])[i]), 0);
#endif
  for (i = 0; i < sizeof line_pins; i++) make_output(LINE_OF(line_pins[i]), 0);
#if UG_CONTROLS > 0
  for (i = 0; i < UG_CONTROLS; i++) {
    uint32_t line = LINE_OF(control_pins[i]);
    if (line == NO_LINE) continue;
    hand_to(line, ug_plan.controls[i].is_sensor ? PAD_ANALOG : PAD_CONTACT, BY_PROGRAM);
  }
#endif
  for (i = 0; i < 8; i++) {
    /* 255 steps, about two thousand rounds a second. */
    REG(DIMMERS + 0x14 * i + 0x04) = 250u << 4;
    REG(DIMMERS + 0x14 * i + 0x10) = 254;
    REG(DIMMERS + 0x14 * i + 0x0c) = 0;
  }
  /* Dark before they run: what is written then waits for the end of a round. */
  for (i = 0; i < sizeof channel_pins; i++)
    if (channel_low[i]) set_compare(LINE_OF(channel_pins[i]), 255);
  for (i = 0; i < 8; i++) REG(DIMMERS + 0x14 * i) = 1;
  REG(CONVERTER) = 1;
  while (!(REG(CONVERTER) & 0x100)) {}
#if UG_GRID_LIGHTS > 0
  scan_begin();
#endif
#if UG_SAYS
  begin_saying();
#endif
  SYSTICK_RELOAD = 0xffffff;
  SYSTICK = 0;
  SYSTICK_CONTROL = 5;
}

/* Counted on from call to call, since the microseconds themselves come round within seventy minutes. */
uint32_t board_now_ms(void) {
  static uint32_t last, rest, whole;
  uint32_t now = MICROSECONDS;
  rest += now - last;
  last = now;
  whole += rest / 1000u;
  rest %= 1000u;
  return whole;
}

uint8_t board_low(uint8_t control) {
  uint32_t line = LINE_OF(control_pins[control]);
  return line != NO_LINE && (LINES_IN >> line & 1u) == 0;
}

uint16_t board_level(uint8_t control) {
  uint32_t line = LINE_OF(control_pins[control]);
  if (line < 26 || line > 28) return 0;
  REG(CONVERTER) = (line - 26u) << 12 | 1u;
  SET(CONVERTER) = 4;
  while (!(REG(CONVERTER) & 0x100)) {}
  return (uint16_t)REG(CONVERTER + 4);
}

void board_dim(uint8_t channel, uint8_t light) {
  uint32_t line = LINE_OF(channel_pins[channel]);
  if (line == NO_LINE) return;
  if (channel_low[channel]) light = (uint8_t)(255 - light);
  if (line > 15) {
    set_line(line, light >= 128);
    return;
  }
  set_compare(line, light);
  hand_to(line, PAD_OUTPUT, BY_DIMMER);
}

#if UG_LED_BY_PULSES > 0
void board_pulse(uint8_t channel, uint16_t us) {
  uint32_t line = LINE_OF(channel_pins[channel]), from = MICROSECONDS;
  /* It begins with a whole microsecond. */
  while (MICROSECONDS == from) {}
  from = MICROSECONDS;
  set_line(line, 1);
  while (MICROSECONDS - from < us) {}
  set_line(line, 0);
}
#endif

#if UG_LINES > 0
/* Of a bit of 1.25 us at 8 ns a cycle: high for 40 is a 0, for 94 a 1. */
#define HIGH_OF_0 40u
#define HIGH_OF_1 94u
#define OF_BIT 156u

/* From memory, not from flash: what waits for flash in the middle of a bit would send another one. */
__attribute__((section(".ram_code"), noinline, long_call)) static void send_bytes(uint32_t mask, const uint8_t *bytes,
                                                                                  uint32_t count) {
  uint32_t from = SYSTICK;
  for (; count; count--) {
    uint32_t value = *bytes++, bits;
    for (bits = 8; bits; bits--, value <<= 1) {
      LINES_SET = mask;
      while (((from - SYSTICK) & 0xffffffu) < HIGH_OF_0) {}
      if (!(value & 0x80)) LINES_CLEAR = mask;
      while (((from - SYSTICK) & 0xffffffu) < HIGH_OF_1) {}
      LINES_CLEAR = mask;
      while (((from - SYSTICK) & 0xffffffu) < OF_BIT) {}
      from = SYSTICK;
    }
  }
}

static uint8_t on_the_wire[UG_FRAME_BYTES / 3u * 4u + 4u];

void board_pixels(uint8_t line, const UG_FLASH ug_line *how, const uint8_t *bytes) {
  uint32_t at = LINE_OF(line_pins[line]), count = 0;
  const uint8_t *end = bytes + how->bytes;
  uint8_t k;
  if (at == NO_LINE) return;
  for (; bytes < end; bytes += 3) {
    uint8_t white = how->own_white ? ug_white(bytes) : 0;
    for (k = 0; k < how->dice; k++) on_the_wire[count++] = ug_wire(how, bytes, k, white);
  }
  __asm__ volatile("cpsid i" ::: "memory");
#if UG_GRID_LIGHTS > 0
  /* No row stays lit while its turn can't end. */
  scan_dark();
#endif
  send_bytes(1u << at, on_the_wire, count);
  __asm__ volatile("cpsie i" ::: "memory");
}
#else
void board_pixels(uint8_t line, const UG_FLASH ug_line *how, const uint8_t *bytes) { (void)line; (void)how; (void)bytes; }
#endif

#if UG_GRID_LIGHTS == 0
void board_grid(const uint8_t *lights) { (void)lights; }
#endif

#if UG_TOLD > 0
/* A few hundred nanoseconds a level: what is told at a longer lead hears it too. */
static void settle(void) {
  uint32_t from = SYSTICK;
  while (((from - SYSTICK) & 0xffffffu) < 30u) {}
}

void board_tell(uint8_t driver, const uint8_t *lights, uint16_t count) {
  uint32_t data = LINE_OF(told_pins[driver][0]), clock = LINE_OF(told_pins[driver][1]), latch = LINE_OF(told_pins[driver][2]);
  uint8_t light, bits;
  for (; count > 0; count--)
    for (light = *lights++, bits = 8; bits; bits--, light = (uint8_t)(light << 1)) {
      set_line(clock, 0);
      set_line(data, light & 0x80);
      settle();
      set_line(clock, 1);
      settle();
    }
  set_line(latch, 1);
  settle();
  set_line(latch, 0);
}
#else
void board_tell(uint8_t driver, const uint8_t *lights, uint16_t count) { (void)driver; (void)lights; (void)count; }
#endif

/* The silence that ends a frame and the pace of the loop in one: the next whole 16 ms. */
void board_wait_frame(void) {
  uint32_t from = board_now_ms() / 16u;
  while (board_now_ms() / 16u == from) {}
}

#if UG_SAYS
void board_say(const char *text) {
  for (;;) {
    uint8_t sign = (uint8_t)(*text ? *text : '\n');
    while (REG(SERIAL + 0x18) & 0x20) {}
    REG(SERIAL) = sign;
    if (!*text) return;
    text++;
  }
}
#else
void board_say(const char *text) { (void)text; }
#endif

/* What the compiler may call by itself. */
void *memcpy(void *to, const void *from, unsigned long count);
__attribute__((used)) void *memcpy(void *to, const void *from, unsigned long count) {
  uint8_t *at = to;
  const uint8_t *next = from;
  while (count--) *at++ = *next++;
  return to;
}
void *memset(void *to, int value, unsigned long count);
__attribute__((used)) void *memset(void *to, int value, unsigned long count) {
  volatile uint8_t *at = to;
  while (count--) *at++ = (uint8_t)value;
  return to;
}

extern uint32_t _data_start[], _data_end[], _data_load[], _bss_start[], _bss_end[];
int main(void);

__attribute__((used, noreturn)) void start(void);
void start(void) {
  volatile uint32_t *to;
  const uint32_t *from = _data_load;
  for (to = _data_start; to < _data_end; to++) *to = *from++;
  for (to = _bss_start; to < _bss_end; to++) *to = 0;
  main();
  for (;;) {}
}

__attribute__((used, noreturn)) static void stand_still(void) {
  for (;;) {}
}

/* Stack at the top of the memory, the start, what should never happen, and the turns of a grid. */
__attribute__((section(".vectors"), used)) static const void *const vectors[17] = {
    (const void *)0x20042000, (const void *)start, (const void *)stand_still, (const void *)stand_still,
#if UG_GRID_LIGHTS > 0
    [16] = (const void *)take_step,
#endif
};

/* The first 256 bytes, which the chip itself copies and runs: lets the flash be read as memory by the command that every one of
 * them knows (03h), then goes on to the vectors. What builds the drive's file seals them with their check sum. */
__asm__(
    ".section .boot2,\"ax\",%progbits\n"
    ".syntax unified\n"
    ".thumb\n"
    ".thumb_func\n"
    "boot2:\n"
    "ldr r3, =0x18000000\n"
    "movs r1, #0\n str r1, [r3, #0x08]\n"
    "movs r1, #4\n str r1, [r3, #0x14]\n"
    "ldr r1, =0x001f0300\n str r1, [r3, #0x00]\n"
    "ldr r1, =0x03000218\n ldr r0, =0x180000f4\n str r1, [r0]\n"
    "movs r1, #0\n str r1, [r3, #0x04]\n"
    "movs r1, #1\n str r1, [r3, #0x08]\n"
    "ldr r0, =0x10000100\n ldr r1, =0xe000ed08\n str r0, [r1]\n"
    "ldmia r0, {r0, r1}\n msr msp, r0\n bx r1\n"
    ".ltorg\n"
    ".text\n");
