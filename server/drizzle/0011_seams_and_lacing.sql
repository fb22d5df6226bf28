UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.stitching.own', json('{}'))
	WHERE json_type(`decisions`, '$.stitching.own') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.upper.finishOnFacings', json('null'))
	WHERE json_type(`decisions`, '$.upper.finishOnFacings') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.upper.lacing', json('{"fitting":"visible","pairs":null,"hooks":0,"way":"crossed","guard":false}'))
	WHERE json_type(`decisions`, '$.upper.lacing') IS NULL;
