/* The scan of the eight-bit board: timer 1 counts half microseconds and begins each step of light. A turn is eight steps, of
 * UG_GRID_UNIT times 1, 2, 4 … 128 ticks, each lit where its bit of the light's byte is set; then all is dark for a while, so
 * that no row lights what is meant for the next. Part of eight16.c. */
#define DARK_TICKS 40u
/* From the beginning of an interrupt to the change that it makes: long enough to get it ready, and always the same. */
#define READY_TICKS 24u
/* Steps up to so many ticks are waited for: an interrupt for each would take longer. */
#define SHORT_TICKS 40u

/* The first step that lasts longer than those. */
#define FIRST_LONG (UG_GRID_UNIT > SHORT_TICKS ? 0 : 2 * UG_GRID_UNIT > SHORT_TICKS ? 1 : 4 * UG_GRID_UNIT > SHORT_TICKS ? 2 : 8 * UG_GRID_UNIT > SHORT_TICKS ? 3 : 4)

static volatile uint8_t step;

#if UG_GRID_ONE_BY_ONE
#include "pairs.h"

/* Of each shared pin, worked out beforehand. */
static uint16_t shared_port[SHARED];
static uint8_t shared_bit[SHARED];
static uint16_t from_port, to_port;
static uint8_t from_bit, to_bit;
/* Of the light whose turn it is, as it was when that began: half of one byte and half of the next is neither. */
static uint8_t light;

/* The pin that gives is high for the whole of its turn; the light is lit while the other one takes. */
static void apply(uint8_t lit) {
  if (lit) REG(to_port - 1) |= to_bit;
  else REG(to_port - 1) &= (uint8_t)~to_bit;
}

static void end_turn(void) {
  apply(0);
  REG(from_port - 1) &= (uint8_t)~from_bit;
  REG(from_port) &= (uint8_t)~from_bit;
}

#define SHOW_STEP(k) apply(light >> (k) & 1u)
#define TURN_ENDS() end_turn()
#define LEAD_TICKS 2u
#define SHORT_BEGIN() (void)light
#define SHORT_STEP(k) apply(light & 1u << (k))

/* Lets go of the pair that was lit. */
static void scan_dark(void) { apply(0); }

static void next_turn(void) {
  uint8_t takes = next_pair();
  from_port = shared_port[gives];
  from_bit = shared_bit[gives];
  to_port = shared_port[takes];
  to_bit = shared_bit[takes];
  light = lights_now[turn];
  REG(from_port) |= from_bit;
  REG(from_port - 1) |= from_bit;
}

static void lines_begin(void) {
  uint8_t i;
  for (i = 0; i < SHARED; i++) {
    uint8_t line = LINE_OF(shared_pins[i]);
    shared_port[i] = port_of(line);
    shared_bit[i] = bit_of(line);
  }
  turn = UG_GRID_TURNS - 1u;
  next_turn();
}
#else
static const uint8_t row_pins[] = UG_GRID_ROW_PINS;
static const uint8_t column_pins[] = UG_GRID_COLUMN_PINS;
/* What ports B, C and D are to be for each turn and step, of the bits of the columns alone; and which steps have any light:
 * of the picture that is shown, and of the next, which takes its place only between two pictures. */
static volatile uint8_t planes[2][UG_GRID_TURNS][8][3], lit_steps[2][UG_GRID_TURNS];
static volatile uint8_t turn, shown, is_next;
static uint8_t columns[3], dark_columns[3];
static volatile uint8_t row_bit;
static volatile uint16_t row_port;

static uint8_t port_index(uint8_t line) { return line < 8 ? 2 : line < 14 ? 0 : 1; }

static void set_row(uint8_t lit) {
  volatile uint8_t *port = &REG(row_port);
  if (lit != UG_GRID_ROW_LOW) *port |= row_bit;
  else *port &= (uint8_t)~row_bit;
}

static void set_columns(volatile const uint8_t *bits) {
  REG(0x25) = (uint8_t)((REG(0x25) & (uint8_t)~columns[0]) | bits[0]);
  REG(0x28) = (uint8_t)((REG(0x28) & (uint8_t)~columns[1]) | bits[1]);
  REG(0x2b) = (uint8_t)((REG(0x2b) & (uint8_t)~columns[2]) | bits[2]);
}

static void scan_dark(void) {
  set_columns(dark_columns);
  set_row(0);
}

/* Light begins and ends with the columns, after the row and before it: so that both take equally long. */
static void apply(const volatile uint8_t *bits, uint8_t lit) {
  set_row(1);
  set_columns(lit ? bits : dark_columns);
  if (!lit) set_row(0);
}

#define SHOW_STEP(k) apply(planes[shown][turn][k], lit_steps[shown][turn] >> (k) & 1u)
#define TURN_ENDS() apply(dark_columns, 0)
/* A short step is got ready beforehand; what comes later than it is due by that much, all else is late by. */
#define LEAD_TICKS 12u
/* While the short steps last their row stays lit: an eye blink of it with dark columns lights nothing. */
#define SHORT_BEGIN() \
  const volatile uint8_t *bits = planes[shown][turn][0]; \
  const uint8_t b = (uint8_t)~columns[0], c = (uint8_t)~columns[1], d = (uint8_t)~columns[2]; \
  if (lit_steps[shown][turn] & ((1u << FIRST_LONG) - 1u)) set_row(1)
#define SHORT_STEP(k) \
  REG(0x25) = (uint8_t)((REG(0x25) & b) | bits[3 * (k)]); \
  REG(0x28) = (uint8_t)((REG(0x28) & c) | bits[3 * (k) + 1]); \
  REG(0x2b) = (uint8_t)((REG(0x2b) & d) | bits[3 * (k) + 2])

static void next_turn(void) {
  uint8_t line;
  if (++turn == UG_GRID_TURNS) {
    turn = 0;
    if (is_next) {
      shown ^= 1u;
      is_next = 0;
    }
  }
  line = LINE_OF(row_pins[turn]);
  row_port = port_of(line);
  row_bit = bit_of(line);
}

void board_grid(const uint8_t *lights) {
  uint8_t row, column, bit, k, hidden;
  uint16_t light = 0;
  is_next = 0;
  hidden = shown ^ 1u;
  for (row = 0; row < UG_GRID_TURNS; row++) {
    uint8_t any = 0, now[8][3];
    for (bit = 0; bit < 8; bit++)
      for (k = 0; k < 3; k++) now[bit][k] = dark_columns[k];
    for (column = 0; column < UG_GRID_COLUMNS && light < UG_GRID_LIGHTS; column++, light++) {
      uint8_t level = lights[light], line = LINE_OF(column_pins[column]), port = port_index(line), own = bit_of(line);
      any |= level;
      for (bit = 0; level; bit++, level >>= 1)
        if (level & 1u) now[bit][port] ^= own;
    }
    for (bit = 0; bit < 8; bit++)
      for (k = 0; k < 3; k++) planes[hidden][row][bit][k] = now[bit][k];
    lit_steps[hidden][row] = any;
  }
  is_next = 1;
}

static void lines_begin(void) {
  uint8_t i, line;
  for (i = 0; i < sizeof column_pins; i++) {
    line = LINE_OF(column_pins[i]);
    columns[port_index(line)] |= bit_of(line);
    if (UG_GRID_COLUMN_LOW) dark_columns[port_index(line)] |= bit_of(line);
  }
  for (i = 0; i < sizeof row_pins; i++) {
    turn = (uint8_t)(i == 0 ? UG_GRID_TURNS - 1u : i - 1u);
    next_turn();
    set_row(0);
    make_output(LINE_OF(row_pins[i]));
  }
  scan_dark();
  for (i = 0; i < sizeof column_pins; i++) make_output(LINE_OF(column_pins[i]));
}
#endif

static void wait_ticks(uint16_t ticks) {
  ticks--;
  OCR1AH = (uint8_t)(ticks >> 8);
  OCR1AL = (uint8_t)ticks;
}

static void wait_until(uint8_t ticks) {
  while (TCNT1L < ticks) {}
}

/* At the end of each step that is long, and of the dark between two turns. */
void __vector_11(void) __attribute__((signal, used, externally_visible));
void __vector_11(void) {
  uint8_t now = step;
  if (now == 8) {
    wait_ticks(DARK_TICKS);
    wait_until(READY_TICKS);
    TURN_ENDS();
    step = 0;
    next_turn();
    return;
  }
  if (now == 0) {
    /* The short steps in one go, each got ready before it is due. */
#if FIRST_LONG > 0
    SHORT_BEGIN();
#endif
    wait_ticks(UG_GRID_UNIT * ((2u << FIRST_LONG) - 1u));
#if FIRST_LONG > 0
    wait_until(READY_TICKS + LEAD_TICKS);
    SHORT_STEP(0);
#endif
#if FIRST_LONG > 1
    wait_until(READY_TICKS + LEAD_TICKS + UG_GRID_UNIT);
    SHORT_STEP(1);
#endif
#if FIRST_LONG > 2
    wait_until(READY_TICKS + LEAD_TICKS + 3u * UG_GRID_UNIT);
    SHORT_STEP(2);
#endif
#if FIRST_LONG > 3
    wait_until(READY_TICKS + LEAD_TICKS + 7u * UG_GRID_UNIT);
    SHORT_STEP(3);
#endif
    wait_until(READY_TICKS + ((1u << FIRST_LONG) - 1u) * UG_GRID_UNIT);
    SHOW_STEP(FIRST_LONG);
    step = FIRST_LONG + 1u;
    return;
  }
  wait_ticks((uint16_t)UG_GRID_UNIT << now);
  wait_until(READY_TICKS);
  SHOW_STEP(now);
  step = (uint8_t)(now + 1u);
}

static void scan_begin(void) {
  lines_begin();
  step = 0;
  TCCR1A = 0x00;
  TCCR1B = 0x0a;
  wait_ticks(DARK_TICKS);
  TIMSK1 = 0x02;
}
