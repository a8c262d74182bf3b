/* The boards last looked at, a bit a cell: two, for a fade between them. */
typedef struct {
  const UG_FLASH ug_move *move;
  uint16_t generation;
  uint8_t now[UG_MOST_CELLS / 8];
  uint8_t next[UG_MOST_CELLS / 8];
} slot;

static slot slots[2];
static uint8_t older;

static uint8_t lives(const uint8_t *board, uint16_t cell) { return (uint8_t)((board[cell >> 3] >> (cell & 7u)) & 1u); }

static void put(uint8_t *board, uint16_t cell, uint8_t alive) {
  if (alive) board[cell >> 3] |= (uint8_t)(1u << (cell & 7u));
  else board[cell >> 3] &= (uint8_t)~(1u << (cell & 7u));
}

static uint16_t count_of(const UG_FLASH ug_move *move) {
  uint32_t count = (uint32_t)move->columns * move->rows;
  return (uint16_t)(count > UG_MOST_CELLS ? UG_MOST_CELLS : count);
}

/* One neighbour's place along one side; -1 beyond an edge that does not wrap. */
static int16_t beside(int16_t at, int8_t by, int16_t size, uint8_t wraps) {
  int16_t to = (int16_t)(at + by);
  if (to >= 0 && to < size) return to;
  return wraps ? (int16_t)((to + size) % size) : (int16_t)-1;
}

static uint8_t neighbours(const UG_FLASH ug_move *move, const uint8_t *board, uint16_t row, uint16_t column) {
  uint8_t living = 0;
  int8_t down, right;
  for (down = -1; down <= 1; down++) {
    int16_t y = beside((int16_t)row, down, (int16_t)move->rows, move->wraps);
    if (y < 0) continue;
    for (right = -1; right <= 1; right++) {
      int16_t x = beside((int16_t)column, right, (int16_t)move->columns, move->wraps);
      uint32_t cell;
      if (x < 0 || (down == 0 && right == 0)) continue;
      cell = (uint32_t)y * move->columns + (uint32_t)x;
      if (cell < UG_MOST_CELLS) living = (uint8_t)(living + lives(board, (uint16_t)cell));
    }
  }
  return living;
}

static void next_generation(const UG_FLASH ug_move *move, const uint8_t *board, uint8_t *next) {
  uint16_t cell, count = count_of(move);
  for (cell = 0; cell < count; cell++) {
    uint8_t living = neighbours(move, board, cell / move->columns, cell % move->columns);
    uint16_t mask = lives(board, cell) ? move->survival : move->birth;
    put(next, cell, (uint8_t)((mask >> living) & 1u));
  }
}

static void begin_slot(slot *at, const UG_FLASH ug_move *move) {
  uint16_t cell, count = count_of(move);
  at->move = move;
  at->generation = 0;
  /* What a larger board left behind its last cell is gone. */
  for (cell = 0; cell < UG_MOST_CELLS / 8; cell++) at->now[cell] = at->next[cell] = 0;
  for (cell = 0; cell < count; cell++) put(at->now, cell, ug_chance(move->seed, cell, 0) < move->share256);
  next_generation(move, at->now, at->next);
}

static slot *slot_of(const UG_FLASH ug_move *move) {
  slot *at;
  if (slots[0].move == move) return &slots[0];
  if (slots[1].move == move) return &slots[1];
  at = &slots[older];
  older = (uint8_t)(1u - older);
  begin_slot(at, move);
  return at;
}

/* Part of 256 of a cell. */
static uint16_t cell_share(const UG_FLASH ug_move *move, uint32_t t_ms, uint16_t cell) {
  uint16_t wanted = (uint16_t)((t_ms % move->period_ms) / move->step_ms);
  slot *at = slot_of(move);
  uint32_t part;
  uint8_t i;
  if (cell >= UG_MOST_CELLS) return 0;
  if (at->generation > wanted) begin_slot(at, move);
  while (at->generation < wanted) {
    for (i = 0; i < UG_MOST_CELLS / 8; i++) at->now[i] = at->next[i];
    next_generation(move, at->now, at->next);
    at->generation++;
  }
  if (!move->melts) return lives(at->now, cell) ? 256 : 0;
  part = (t_ms % move->step_ms) * 256u / move->step_ms;
  return (uint16_t)(lives(at->now, cell) * (256u - part) + lives(at->next, cell) * part);
}

static uint8_t level_cells(const UG_FLASH ug_move *move, uint32_t t_ms, uint32_t place256) {
  return ug_scaled(move, cell_share(move, t_ms, (uint16_t)place256));
}
