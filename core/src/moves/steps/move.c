static void begin_steps(ug_moment *moment, const UG_FLASH ug_move *move, const ug_control_state *controls) {
  uint8_t step = (uint8_t)(((uint16_t)ug_read(controls, move->control) * move->count) / 256u);
  moment->level = (uint8_t)(move->low + (((int32_t)move->level - move->low) * step) / (move->count - 1));
  moment->blend = (uint8_t)((step * 255u) / (move->count - 1u));
}
