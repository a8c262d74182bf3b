static void begin_drift(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms) {
  moment->slot = ug_phase(t_ms, move->period_ms);
}

static uint8_t blend_drift(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  return ug_wave((moment->slot + ((place256 / (256u / UG_PLACE_STEPS)) * move->shift) / UG_PLACE_STEPS) & 65535u);
}
