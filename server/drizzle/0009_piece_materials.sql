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
	SET `decisions` = json_set(`decisions`, '$.pieceMaterials', json('{}'))
	WHERE json_type(`decisions`, '$.pieceMaterials') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.profile', 'any')
	WHERE json_type(`decisions`, '$.profile') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.materials.stay', NULL)
	WHERE json_type(`decisions`, '$.materials.stay') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.materials.welt', NULL)
	WHERE json_type(`decisions`, '$.materials.welt') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.materials.shank', NULL)
	WHERE json_type(`decisions`, '$.materials.shank') IS NULL;
--> statement-breakpoint
UPDATE `pair_revisions`
	SET `decisions` = json_set(`decisions`, '$.materials.backer', NULL)
	WHERE json_type(`decisions`, '$.materials.backer') IS NULL;
