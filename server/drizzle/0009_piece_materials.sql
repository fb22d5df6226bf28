ALTER TABLE `materials` ADD `serves` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `samples` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `materials` ADD `natural` integer;--> statement-breakpoint
ALTER TABLE `materials` ADD `stretch` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `hardness` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `face` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `coats` integer;--> statement-breakpoint
ALTER TABLE `materials` ADD `source` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `materials` ADD `price` text;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(
		`decisions`,
		'$.pieceMaterials', json('{}'),
		'$.profile', 'any',
		'$.materials.backer', NULL,
		'$.materials.stay', NULL,
		'$.materials.welt', NULL,
		'$.materials.shank', NULL
	)
	WHERE json_type(`decisions`, '$.pieceMaterials') IS NULL;
