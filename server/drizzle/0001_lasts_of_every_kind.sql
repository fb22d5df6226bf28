CREATE TABLE `cup_soles` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`name` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`outline` text NOT NULL,
	`turned` integer DEFAULT false NOT NULL,
	`flipped` integer DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE TABLE `feet` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`order_number` text NOT NULL,
	`trade` text DEFAULT '' NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`right_foot` text NOT NULL,
	`left_foot` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `last_holds` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`last_id` text NOT NULL,
	`pair_id` text,
	`from_day` text NOT NULL,
	`until_day` text,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`last_id`) REFERENCES `lasts`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `last_holds_last` ON `last_holds` (`last_id`,`from_day`);--> statement-breakpoint
ALTER TABLE `lasts` ADD `shape` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `lasts` ADD `build_ups` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `lasts` ADD `stock` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
UPDATE `lasts` SET
	`shape` = json_object('kind', 'made', 'measures', json_set(`measures`, '$.heelGirth', NULL)),
	`stock` = json_object('number', '', 'feet', 'pair', 'count', 1, 'place', '');
