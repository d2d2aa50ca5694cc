-- What a visit is for: the coat, or an item of care alone, which leaves the coat due as before. Why a visit was cancelled.
ALTER TABLE booking ADD COLUMN service TEXT NOT NULL DEFAULT 'coat';
ALTER TABLE booking ADD COLUMN cancelled_why TEXT;
-- What the salon answered to what an owner found; empty where it was only closed.
ALTER TABLE home_report ADD COLUMN answer TEXT NOT NULL DEFAULT '';
