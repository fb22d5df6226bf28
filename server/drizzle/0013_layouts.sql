CREATE TABLE `layouts` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`updated_at` text NOT NULL,
	`pair_id` text NOT NULL,
	`material` text NOT NULL,
	`layout` text NOT NULL,
	FOREIGN KEY (`pair_id`) REFERENCES `pairs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `layouts_pair_material` ON `layouts` (`pair_id`,`material`);