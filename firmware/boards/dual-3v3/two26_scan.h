/* The scan of the two-core board: the first alarm of the microseconds begins each step of light. A turn is eight steps, of
 * UG_GRID_UNIT times 1, 2, 4 … 128 microseconds, each lit where its bit of the light's byte is set; then all is dark for a while,
 * so that no row lights what is meant for the next. It runs from memory: what waits for flash would come late. Part of two26.c. */
#define DARK_US 10u
/* From an alarm to the change that it makes: long enough to get it ready, and always the same. */
#define READY_US 2u
/* Steps up to so many are waited for: an alarm for each would come while the one before is still answered. */
#define SHORT_US 8u
/* An alarm nearer than this could be past before it is set. */
#define LEAST_AHEAD_US 3u

/* The first step that lasts longer than those. */
#define FIRST_LONG (UG_GRID_UNIT > SHORT_US ? 0u : 2 * UG_GRID_UNIT > SHORT_US ? 1u : 4 * UG_GRID_UNIT > SHORT_US ? 2u : 3u)

#define ALARM REG(0x40054010u)
#define ALARM_SEEN REG(0x40054034u)
#define ALARM_ENABLE REG(0x40054038u)
#define INTERRUPTS_ENABLE REG(0xe000e100u)
#define OUTPUTS_CLEAR REG(0xd0000028u)

#define FROM_MEMORY __attribute__((section(".ram_code"), noinline))
#define AT_ONCE static inline __attribute__((always_inline))

static uint32_t step, due;

#if UG_GRID_ONE_BY_ONE
#include "pairs.h"

static uint32_t shared_bits[SHARED], from_bit, to_bit;
/* Of the light whose turn it is, as it was when that began: half of one byte and half of the next is neither. */
static uint32_t light;

/* The pin that gives is high for the whole of its turn; the light is lit while the other one takes. */
AT_ONCE void show_step(uint32_t k) {
  if (light >> k & 1u) OUTPUTS_SET = to_bit;
  else OUTPUTS_CLEAR = to_bit;
}

AT_ONCE void end_turn(void) {
  OUTPUTS_CLEAR = to_bit;
  OUTPUTS_CLEAR = from_bit;
  LINES_CLEAR = from_bit;
}

#if UG_LINES > 0
/* Lets go of the pair that was lit. */
static void scan_dark(void) { OUTPUTS_CLEAR = to_bit; }
#endif

AT_ONCE void next_turn(void) {
  uint8_t takes = next_pair();
  from_bit = shared_bits[gives];
  to_bit = shared_bits[takes];
  light = lights_now[turn];
  LINES_SET = from_bit;
  OUTPUTS_SET = from_bit;
}

static void lines_begin(void) {
  uint32_t i;
  for (i = 0; i < SHARED; i++) {
    uint32_t line = LINE_OF(shared_pins[i]);
    if (line == NO_LINE) continue;
    shared_bits[i] = 1u << line;
    LINES_CLEAR = 1u << line;
    hand_to(line, PAD_OUTPUT, BY_PROGRAM);
  }
  turn = UG_GRID_TURNS - 1u;
  next_turn();
}
#else
static const uint8_t row_pins[] = UG_GRID_ROW_PINS;
static const uint8_t column_pins[] = UG_GRID_COLUMN_PINS;
/* What the columns are to be for each turn and step, and which steps have any light: of the picture that is shown, and of the
 * next, which takes its place only between two pictures. */
static volatile uint32_t planes[2][UG_GRID_TURNS][8], lit_steps[2][UG_GRID_TURNS];
static volatile uint32_t shown, is_next;
static uint32_t turn;
static uint32_t row_bits[UG_GRID_TURNS], columns, dark_columns;

AT_ONCE void set_row(uint32_t lit) {
  if (lit != UG_GRID_ROW_LOW) LINES_SET = row_bits[turn];
  else LINES_CLEAR = row_bits[turn];
}

AT_ONCE void set_columns(uint32_t bits) {
  LINES_SET = bits;
  LINES_CLEAR = columns & ~bits;
}

/* Light begins and ends with the columns, after the row and before it: so that both take equally long. */
AT_ONCE void show_step(uint32_t k) {
  uint32_t lit = lit_steps[shown][turn] >> k & 1u;
  if (lit) set_row(1);
  set_columns(lit ? planes[shown][turn][k] : dark_columns);
  if (!lit) set_row(0);
}

AT_ONCE void end_turn(void) {
  set_columns(dark_columns);
  set_row(0);
}

#if UG_LINES > 0
static void scan_dark(void) { end_turn(); }
#endif

AT_ONCE void next_turn(void) {
  if (++turn < UG_GRID_TURNS) return;
  turn = 0;
  if (is_next) {
    shown ^= 1u;
    is_next = 0;
  }
}

void board_grid(const uint8_t *lights) {
  uint32_t row, column, bit, hidden, left = UG_GRID_LIGHTS;
  is_next = 0;
  hidden = shown ^ 1u;
  for (row = 0; row < UG_GRID_TURNS; row++) {
    uint32_t any = 0, now[8];
    for (bit = 0; bit < 8; bit++) now[bit] = dark_columns;
    for (column = 0; column < UG_GRID_COLUMNS && left > 0; column++, left--) {
      uint32_t level = *lights++, line = LINE_OF(column_pins[column]);
      if (line == NO_LINE) continue;
      any |= level;
      for (bit = 0; level; bit++, level >>= 1)
        if (level & 1u) now[bit] ^= 1u << line;
    }
    for (bit = 0; bit < 8; bit++) planes[hidden][row][bit] = now[bit];
    lit_steps[hidden][row] = any;
  }
  is_next = 1;
}

static void lines_begin(void) {
  uint32_t i, line;
  for (i = 0; i < sizeof row_pins; i++) {
    line = LINE_OF(row_pins[i]);
    if (line != NO_LINE) row_bits[i] = 1u << line;
    make_output(line, UG_GRID_ROW_LOW);
  }
  for (i = 0; i < sizeof column_pins; i++) {
    line = LINE_OF(column_pins[i]);
    if (line != NO_LINE) columns |= 1u << line;
    make_output(line, UG_GRID_COLUMN_LOW);
  }
  if (UG_GRID_COLUMN_LOW) dark_columns = columns;
}
#endif

AT_ONCE void wait_until(uint32_t us) {
  while ((int32_t)(MICROSECONDS - us) < 0) {}
}

/* The next alarm so long after this one; at once, where something held it back for longer. */
AT_ONCE void wait_for(uint32_t us) {
  uint32_t now = MICROSECONDS;
  due += us;
  if ((int32_t)(due - now) < (int32_t)LEAST_AHEAD_US) due = now + LEAST_AHEAD_US;
  ALARM = due;
}

/* At the end of each step that is long, and of the dark between two turns. */
FROM_MEMORY __attribute__((used)) static void take_step(void) {
  uint32_t from = due + READY_US, now = step, k;
  ALARM_SEEN = 1;
  if (now == 8) {
    wait_for(DARK_US);
    wait_until(from);
    end_turn();
    step = 0;
    next_turn();
    return;
  }
  if (now == 0) {
    wait_for(UG_GRID_UNIT * ((2u << FIRST_LONG) - 1u));
    /* The short steps in one go, and the first long one. */
    for (k = 0; k <= FIRST_LONG; k++) {
      wait_until(from + UG_GRID_UNIT * ((1u << k) - 1u));
      show_step(k);
    }
    step = FIRST_LONG + 1u;
    return;
  }
  wait_for((uint32_t)UG_GRID_UNIT << now);
  wait_until(from);
  show_step(now);
  step = now + 1u;
}

static void scan_begin(void) {
  lines_begin();
  step = 0;
  ALARM_ENABLE = 1;
  INTERRUPTS_ENABLE = 1;
  due = MICROSECONDS;
  wait_for(DARK_US);
}
