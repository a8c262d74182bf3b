static void begin_drift(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  moment->slot = ug_phase(t_ms, move->period_ms);
}

/* Places are told in eighths of a light. */
static uint8_t blend_drift(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return ug_wave((moment->slot + ((place256 >> 5) * move->shift) / 8u) & 65535u);
}
