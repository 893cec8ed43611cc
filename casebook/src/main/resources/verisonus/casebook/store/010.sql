-- Where on the studied reference's time axis a dry take begins, as its player laid it; null where it is looked for.
ALTER TABLE medium ADD COLUMN laid_s REAL;
