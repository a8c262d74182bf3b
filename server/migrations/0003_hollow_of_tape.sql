-- Plans of version 2 as those of version 3: a tape names the hollow that it lies in by "hollowId", as a light does.
-- A text that a maker typed has its quotes escaped, so the pattern is a key of the document and nothing else.
UPDATE "plans"
SET "document" = jsonb_set(replace("document"::text, '"channelId": ', '"hollowId": ')::jsonb, '{version}', '3')
WHERE "document" ->> 'version' = '2';
