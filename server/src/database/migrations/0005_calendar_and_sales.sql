CREATE TABLE `bookings` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`date` date NOT NULL,
	`pattern_id` char(36) NOT NULL,
	`name` varchar(80) NOT NULL,
	`guests` smallint NOT NULL,
	`balls` json NOT NULL,
	`note` varchar(300) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `bookings_id` PRIMARY KEY(`id`),
	CONSTRAINT `bookings_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `quarter_sales` (
	`house_id` char(36) NOT NULL,
	`date` date NOT NULL,
	`pattern_id` char(36) NOT NULL,
	`product_id` char(36) NOT NULL,
	`quarter` smallint NOT NULL,
	`sold` int NOT NULL,
	CONSTRAINT `quarter_sales_house_id_date_pattern_id_product_id_quarter_pk` PRIMARY KEY(`house_id`,`date`,`pattern_id`,`product_id`,`quarter`)
);
--> statement-breakpoint
CREATE TABLE `service_exceptions` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`date` date NOT NULL,
	`pattern_id` char(36),
	`start_min` smallint,
	`end_min` smallint,
	`note` varchar(300) NOT NULL DEFAULT '',
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `service_exceptions_id` PRIMARY KEY(`id`),
	CONSTRAINT `service_exceptions_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `till_sales` (
	`house_id` char(36) NOT NULL,
	`number` varchar(60) NOT NULL,
	`at` datetime(3) NOT NULL,
	`product_id` char(36) NOT NULL,
	`balls` smallint NOT NULL,
	CONSTRAINT `till_sales_house_id_number_pk` PRIMARY KEY(`house_id`,`number`)
);
--> statement-breakpoint
ALTER TABLE `sales` ADD `left_balls` smallint;--> statement-breakpoint
ALTER TABLE `service_patterns` ADD `first_date` date;--> statement-breakpoint
ALTER TABLE `service_patterns` ADD `last_date` date;--> statement-breakpoint
ALTER TABLE `bookings` ADD CONSTRAINT `bookings_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `bookings` ADD CONSTRAINT `bookings_pattern` FOREIGN KEY (`house_id`,`pattern_id`) REFERENCES `service_patterns`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `quarter_sales` ADD CONSTRAINT `quarter_sales_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `quarter_sales` ADD CONSTRAINT `quarter_sales_pattern` FOREIGN KEY (`house_id`,`pattern_id`) REFERENCES `service_patterns`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `quarter_sales` ADD CONSTRAINT `quarter_sales_product` FOREIGN KEY (`house_id`,`product_id`) REFERENCES `products`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `service_exceptions` ADD CONSTRAINT `service_exceptions_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `service_exceptions` ADD CONSTRAINT `service_exceptions_pattern` FOREIGN KEY (`house_id`,`pattern_id`) REFERENCES `service_patterns`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `till_sales` ADD CONSTRAINT `till_sales_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `till_sales` ADD CONSTRAINT `till_sales_product` FOREIGN KEY (`house_id`,`product_id`) REFERENCES `products`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `bookings_by_date` ON `bookings` (`house_id`,`date`);--> statement-breakpoint
CREATE INDEX `service_exceptions_by_date` ON `service_exceptions` (`house_id`,`date`);