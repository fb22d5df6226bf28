UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.stitching', json('{"by":"machine"}'))
	WHERE json_type(`decisions`, '$.stitching') IS NULL;
