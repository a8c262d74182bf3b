static void begin_sweep(ug_moment *moment, const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t length) {
  uint32_t phase = ug_phase(t_ms, move->period_ms);
  moment->at256 = (int32_t)(((uint64_t)ug_triangle(phase) * (uint32_t)(length - 1u) * 256u) / 65535u);
  moment->rises = phase < 32768u;
}

static uint8_t level_sweep(const UG_FLASH ug_move *move, const ug_moment *moment, uint32_t place256) {
  int32_t ahead = moment->rises ? (int32_t)place256 - moment->at256 : moment->at256 - (int32_t)place256;
  if (ahead > 256) return 0;
  return ug_scaled(move, ug_clamp256(ahead >= 0 ? 256 - ahead : 256 - (-ahead) / ((int32_t)move->tail + 1)));
}
