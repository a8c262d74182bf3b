/* A board file to fill in: eleven functions, each with what it has to do. Copy it, name it after your kind of board. */
#include "board.h"
#include "pins.h"
#include "show.h"

/* Before anything else: every load pin to its dark level (low, or high where UG_CHANNEL_LOW is 1), so that no lamp flashes
 * while the controller starts; then clocks and timers. pins.h numbers the pins along the edge of the board. */
void board_begin(void) {}

uint32_t board_now_ms(void) { return 0; }

/* A button closes to minus: switch the pull-up on and give 1 while the pin reads low. */
uint8_t board_low(uint8_t control) { return (uint8_t)(control & 0); }

/* The converter's code, with the fixed resistor to minus as in the plan: low in the dark. */
uint16_t board_level(uint8_t control) { return (uint16_t)(control & 0); }

/* Hardware dimming above 200 Hz (1 kHz where cameras look on). The gamma curve is already in the value. A channel of
 * UG_CHANNEL_LOW is lit while its pin is low: give it 255 less the light. */
void board_dim(uint8_t channel, uint8_t light) { (void)channel; (void)light; }

/* A servo takes a length that is some microseconds out for another place: count by a timer, or hold what interrupts. */
void board_pulse(uint8_t channel, uint16_t us) { (void)channel; (void)us; }

/* 800 kHz, bits of 1.25 us, highest first, then 300 us of silence. Interrupts are off while it runs: the clock may lose a
 * tick, buttons wait. The bytes come in the order that the tape takes them: put your pin's waveform where they are dropped. */
void board_pixels(uint8_t line, const UG_FLASH ug_line *how, const uint8_t *bytes) {
  uint16_t i;
  uint8_t k;
  for (i = 0; i < how->bytes; i = (uint16_t)(i + 3u)) {
    uint8_t white = how->own_white ? ug_white(bytes + i) : 0;
    for (k = 0; k < how->dice; k++) (void)ug_wire(how, bytes + i, k, white);
  }
  (void)line;
}

/* From a timer's interrupt: 255 steps a turn, a light lit for as many of them as its byte says; all dark between two turns.
 * No row may be lit while columns change, and nothing may float while it runs. */
void board_grid(const uint8_t *lights) { (void)lights; }

void board_tell(uint8_t driver, const uint8_t *lights, uint16_t count) { (void)driver; (void)lights; (void)count; }

void board_wait_frame(void) {}

void board_say(const char *text) { (void)text; }
