-- What was measured is kept whole, in full precision, so that it can be computed with again; its sentences are made when it
-- is read. Older rows have their sentences in "findings" and nothing here.
ALTER TABLE evidence ADD COLUMN measured TEXT;
