ALTER TABLE `cup_soles` ADD `seat` real;--> statement-breakpoint
ALTER TABLE `cup_soles` ADD `tread` real;