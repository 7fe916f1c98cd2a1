ALTER TABLE `service_exceptions` ADD `last_date` date;--> statement-breakpoint
ALTER TABLE `service_exceptions` ADD `is_yearly` tinyint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `service_exceptions` ADD `joins_id` char(36);--> statement-breakpoint
ALTER TABLE `shift_exceptions` ADD `is_away` tinyint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `service_exceptions` ADD CONSTRAINT `service_exceptions_joins` FOREIGN KEY (`house_id`,`joins_id`) REFERENCES `service_patterns`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;