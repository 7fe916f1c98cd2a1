ALTER TABLE `lots` ADD `left_g` decimal(12,3);--> statement-breakpoint
ALTER TABLE `lots` ADD `trim_g` decimal(12,3);