-- A ceiling that a brief did not ask for is the house's: so far the usual one was written into every brief.

ALTER TABLE session NO FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_step NO FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_version NO FORCE ROW LEVEL SECURITY;
ALTER TABLE flow NO FORCE ROW LEVEL SECURITY;

CREATE FUNCTION with_usual_ceilings_unsaid(brief jsonb) RETURNS jsonb LANGUAGE sql IMMUTABLE AS $$
    SELECT brief - CASE WHEN brief ->> 'ceiling' = '4' THEN 'ceiling' ELSE '' END
                 - CASE WHEN brief ->> 'specific_ceiling' = '7' THEN 'specific_ceiling' ELSE '' END
$$;
UPDATE session SET plan = jsonb_set(plan, '{flow,brief}', with_usual_ceilings_unsaid(plan #> '{flow,brief}'));
UPDATE plan_step SET plan = jsonb_set(plan, '{flow,brief}', with_usual_ceilings_unsaid(plan #> '{flow,brief}'));
UPDATE plan_version SET plan = jsonb_set(plan, '{flow,brief}', with_usual_ceilings_unsaid(plan #> '{flow,brief}'));
UPDATE flow SET flow = jsonb_set(flow, '{brief}', with_usual_ceilings_unsaid(flow -> 'brief'));
DROP FUNCTION with_usual_ceilings_unsaid(jsonb);

ALTER TABLE session FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_step FORCE ROW LEVEL SECURITY;
ALTER TABLE plan_version FORCE ROW LEVEL SECURITY;
ALTER TABLE flow FORCE ROW LEVEL SECURITY;
