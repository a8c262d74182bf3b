/* Lights between pins that they share, one after another: whose turn it is. Part of the scan of each board. */
#ifndef PAIRS_H
#define PAIRS_H

static const uint8_t shared_pins[] = UG_GRID_SHARED_PINS;
#define SHARED ((uint8_t)sizeof shared_pins)
static volatile uint8_t lights_now[UG_GRID_LIGHTS];
/* The pin that gives, and which of the others takes. */
static uint8_t turn, gives, other;

/* The next light: the same pin gives to the next one, or the next pin begins. Gives the pin that takes. */
static inline __attribute__((always_inline)) uint8_t next_pair(void) {
  if (++turn == UG_GRID_TURNS) turn = gives = other = 0;
  else if (++other == SHARED - 1u) {
    other = 0;
    gives++;
  }
  return (uint8_t)(other < gives ? other : other + 1u);
}

void board_grid(const uint8_t *lights) {
  uint8_t i;
  for (i = 0; i < UG_GRID_LIGHTS; i++) lights_now[i] = lights[i];
}

#endif
