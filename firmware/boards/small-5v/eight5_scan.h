/* The scan of the small board: timer 1 counts 16 cycles at a time, runs freely, and begins each step of light. A turn is eight
 * steps, of UG_GRID_UNIT times 1, 2, 4 … 128 ticks, each lit where its bit of the light's byte is set; then all is dark for a
 * while, so that no row lights what is meant for the next. Part of eight5.c. */
#define DARK_TICKS 40u
/* From the beginning of an interrupt to the change that it makes: long enough to get it ready, and always the same. */
#define READY_TICKS 8u
/* Steps up to so many ticks are waited for: an interrupt for each would take longer. */
#define SHORT_TICKS 8u

/* The first step that lasts longer than those. */
#define FIRST_LONG (8 * UG_GRID_UNIT > SHORT_TICKS ? 3u : 4u)

#define AT_ONCE static inline __attribute__((always_inline))

static volatile uint8_t step;

#if UG_GRID_ONE_BY_ONE
#include "pairs.h"

static uint8_t from_bit, to_bit;
/* The pin that takes, in the steps in which it does: of the byte as it was when the turn began, since half of one byte and half
 * of the next is neither. */
static uint8_t steps[8];

/* The pin that gives is high for the whole of its turn; the light is lit while the other one takes. */
AT_ONCE void show_lines(uint8_t lines) { DDRB = (uint8_t)((DDRB & (uint8_t)~to_bit) | lines); }

AT_ONCE void end_turn(void) {
  show_lines(0);
  PORTB &= (uint8_t)~from_bit;
  DDRB &= (uint8_t)~from_bit;
}

/* Lets go of what was lit. */
static void scan_dark(void) { show_lines(0); }

AT_ONCE void next_turn(void) {
  uint8_t k, light, takes = next_pair();
  from_bit = BIT_OF(shared_pins[gives]);
  to_bit = BIT_OF(shared_pins[takes]);
  for (k = 0, light = lights_now[turn]; k < 8; k++, light >>= 1) steps[k] = light & 1u ? to_bit : 0;
  DDRB |= from_bit;
  PORTB |= from_bit;
}

static void lines_begin(void) {
  turn = UG_GRID_TURNS - 1u;
  next_turn();
}
#else
static const uint8_t row_pins[] = UG_GRID_ROW_PINS;
static const uint8_t column_pins[] = UG_GRID_COLUMN_PINS;
/* What the lines are to be for each turn and step: of the picture that is shown, and of the next, which takes its place only
 * between two pictures. */
static volatile uint8_t planes[2][UG_GRID_TURNS][8];
static volatile uint8_t shown, is_next;
static volatile uint8_t *steps = planes[0][0];
static uint8_t turn, own, dark;

/* Row and columns stand on one port: they change together. */
AT_ONCE void show_lines(uint8_t lines) { PORTB = (uint8_t)((PORTB & (uint8_t)~own) | lines); }

AT_ONCE void end_turn(void) { show_lines(dark); }

static void scan_dark(void) { end_turn(); }

AT_ONCE void next_turn(void) {
  if (++turn == UG_GRID_TURNS) {
    turn = 0;
    if (is_next) {
      shown ^= 1u;
      is_next = 0;
    }
  }
  steps = planes[shown][turn];
}

void board_grid(const uint8_t *lights) {
  uint8_t row, column, bit, hidden, left = UG_GRID_LIGHTS;
  is_next = 0;
  hidden = shown ^ 1u;
  for (row = 0; row < UG_GRID_TURNS; row++) {
    uint8_t any = 0, lines[8];
    for (bit = 0; bit < 8; bit++) lines[bit] = dark;
    for (column = 0; column < UG_GRID_COLUMNS && left > 0; column++, left--) {
      uint8_t level = *lights++;
      any |= level;
      for (bit = 0; level; bit++, level >>= 1)
        if (level & 1u) lines[bit] ^= BIT_OF(column_pins[column]);
    }
    for (bit = 0; bit < 8; bit++, any >>= 1)
      planes[hidden][row][bit] = (uint8_t)(lines[bit] ^ (any & 1u ? BIT_OF(row_pins[row]) : 0));
  }
  is_next = 1;
}

static void lines_begin(void) {
  uint8_t i, bit;
  for (i = 0; i < sizeof row_pins; i++) {
    own |= BIT_OF(row_pins[i]);
    if (UG_GRID_ROW_LOW) dark |= BIT_OF(row_pins[i]);
  }
  for (i = 0; i < sizeof column_pins; i++) {
    own |= BIT_OF(column_pins[i]);
    if (UG_GRID_COLUMN_LOW) dark |= BIT_OF(column_pins[i]);
  }
  for (i = 0; i < UG_GRID_TURNS; i++)
    for (bit = 0; bit < 8; bit++) planes[0][i][bit] = dark;
  /* Its dark level first: what is lit while low must not flash when its pin becomes an output. */
  show_lines(dark);
  DDRB |= own;
}
#endif

AT_ONCE void wait_until(uint8_t tick) {
  while ((int8_t)(uint8_t)(TCNT1 - tick) < 0) {}
}

#define SHOW_AT(k) \
  if ((k) <= FIRST_LONG) { \
    lines = steps[k]; \
    wait_until((uint8_t)(from + UG_GRID_UNIT * ((1u << (k)) - 1u))); \
    show_lines(lines); \
  }

/* At the end of each step that is long, and of the dark between two turns. */
void __vector_3(void) __attribute__((signal, used, externally_visible));
void __vector_3(void) {
  uint8_t began = OCR1A, from = (uint8_t)(began + READY_TICKS), now = step, lines;
  if (now == 8) {
    OCR1A = (uint8_t)(began + DARK_TICKS);
    wait_until(from);
    end_turn();
    step = 0;
    next_turn();
    return;
  }
  if (now == 0) {
    /* The short steps in one go, each got ready before it is due, and the first long one. */
    OCR1A = (uint8_t)(began + UG_GRID_UNIT * ((2u << FIRST_LONG) - 1u));
    SHOW_AT(0)
    SHOW_AT(1)
    SHOW_AT(2)
    SHOW_AT(3)
    SHOW_AT(4)
    step = FIRST_LONG + 1u;
    return;
  }
  OCR1A = (uint8_t)(began + (UG_GRID_UNIT << now));
  lines = steps[now];
  wait_until(from);
  show_lines(lines);
  step = (uint8_t)(now + 1u);
}

/* Begins a turn after the dark: what was held may be many rounds of the timer behind. */
static void scan_again(void) {
  step = 8;
  OCR1A = (uint8_t)(TCNT1 + DARK_TICKS);
  TIFR = 0x40;
}

static void scan_begin(void) {
  lines_begin();
  TCCR1 = 0x05;
  scan_again();
  TIMSK |= 0x40;
}
