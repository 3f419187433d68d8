-- Cheap comparisons go first, and no table is read through row by row: with a cost of 1 a small table was.
ALTER FUNCTION bivvet_sees(uuid) COST 100;
