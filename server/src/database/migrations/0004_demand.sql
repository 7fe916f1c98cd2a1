CREATE TABLE `events` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`date` date NOT NULL,
	`pattern_id` char(36),
	`name` varchar(80) NOT NULL,
	`expected_percent` smallint NOT NULL,
	`note` varchar(300) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `events_id` PRIMARY KEY(`id`),
	CONSTRAINT `events_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `sales` (
	`house_id` char(36) NOT NULL,
	`date` date NOT NULL,
	`pattern_id` char(36) NOT NULL,
	`product_id` char(36) NOT NULL,
	`sold` int NOT NULL,
	`sold_out_min` smallint,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `sales_house_id_date_pattern_id_product_id_pk` PRIMARY KEY(`house_id`,`date`,`pattern_id`,`product_id`)
);
--> statement-breakpoint
ALTER TABLE `events` ADD CONSTRAINT `events_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `events` ADD CONSTRAINT `events_pattern` FOREIGN KEY (`house_id`,`pattern_id`) REFERENCES `service_patterns`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sales` ADD CONSTRAINT `sales_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sales` ADD CONSTRAINT `sales_pattern` FOREIGN KEY (`house_id`,`pattern_id`) REFERENCES `service_patterns`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sales` ADD CONSTRAINT `sales_product` FOREIGN KEY (`house_id`,`product_id`) REFERENCES `products`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `events_by_date` ON `events` (`house_id`,`date`);