/* What the eight-bit board files share. Before it stand TCNT0, `set_pin` and `overflows`, the count of timer 0's rounds of
 * 16,384 cycles. */
#ifndef EIGHT_H
#define EIGHT_H

/* Hardware dimming at about a thousand rounds a second, on a pin that has it; none at all at 0, since the timer would leave a
 * spike. */
static void dim(volatile uint8_t *control, uint8_t on, volatile uint8_t *compare, uint8_t pin, uint8_t light) {
  if (light == 0) {
    *control &= (uint8_t)~on;
    set_pin(pin, 0);
    return;
  }
  *compare = light;
  *control |= on;
}

/* Eight bits of 20 cycles, 1.25 us at 16 MHz: high for 6 cycles (375 ns) is a 0, for 12 (750 ns) a 1. */
static void send_byte(volatile uint8_t *port, uint8_t high, uint8_t low, uint8_t value) {
  uint8_t bits = 8;
  __asm__ volatile(
      "1: st %a[port], %[high]\n\t"
      "nop\n\tnop\n\tnop\n\t"
      "sbrs %[value], 7\n\t"
      "st %a[port], %[low]\n\t"
      "lsl %[value]\n\t"
      "nop\n\tnop\n\tnop\n\tnop\n\t"
      "st %a[port], %[low]\n\t"
      "nop\n\tnop\n\t"
      "dec %[bits]\n\t"
      "brne 1b\n\t"
      : [value] "+r"(value), [bits] "+r"(bits)
      : [port] "e"(port), [high] "r"(high), [low] "r"(low));
}

/* The clock stands still while pixels are sent, but for one overflow that waits: counts up those that were missed. A byte
 * takes about 200 cycles, 3.125 ticks of 64 cycles; the timer itself says how far it is within a round. */
static void make_up_time(uint8_t before, uint16_t count) {
  uint16_t reckoned = (uint16_t)((uint32_t)count * 25u / 8u);
  uint8_t within = (uint8_t)(TCNT0 - before);
  uint16_t whole = (uint16_t)((uint16_t)(reckoned + 128u - within) / 256u);
  uint16_t missed = (uint16_t)(((uint32_t)before + within + 256u * (uint32_t)whole) >> 8);
  if (missed > 1) overflows += missed - 1u;
}

#if UG_LED_BY_PULSES > 0
/* A pulse of so many turns of four cycles on a pin, less what it takes to set that; a clock tick within it makes it some
 * microseconds longer. */
static void send_pulse(uint8_t pin, uint16_t turns) {
  turns -= 20u;
  set_pin(pin, 1);
  __asm__ volatile("1: sbiw %0, 1\n\tbrne 1b" : "+w"(turns));
  set_pin(pin, 0);
}
#endif

#endif
