CREATE TABLE `chosen_counts` (
	`house_id` char(36) NOT NULL,
	`date` date NOT NULL,
	`pattern_id` char(36) NOT NULL,
	`product_id` char(36) NOT NULL,
	`count` int,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `chosen_counts_house_id_date_pattern_id_product_id_pk` PRIMARY KEY(`house_id`,`date`,`pattern_id`,`product_id`)
);
--> statement-breakpoint
CREATE TABLE `formulas` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`slug` varchar(60) NOT NULL,
	`code` varchar(4) NOT NULL,
	`name` varchar(120) NOT NULL,
	`formula` json NOT NULL,
	`dough_temp_c` decimal(6,2) NOT NULL,
	`method` json NOT NULL,
	`mixer_id` char(36) NOT NULL,
	`allergens` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `formulas_id` PRIMARY KEY(`id`),
	CONSTRAINT `formulas_house` UNIQUE(`house_id`,`id`),
	CONSTRAINT `formulas_slug` UNIQUE(`house_id`,`slug`)
);
--> statement-breakpoint
CREATE TABLE `houses` (
	`id` char(36) NOT NULL,
	`slug` varchar(60) NOT NULL,
	`name` varchar(120) NOT NULL,
	`time_zone` varchar(60) NOT NULL,
	`settings` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `houses_id` PRIMARY KEY(`id`),
	CONSTRAINT `houses_slug_unique` UNIQUE(`slug`)
);
--> statement-breakpoint
CREATE TABLE `loads` (
	`house_id` char(36) NOT NULL,
	`lot_id` char(36) NOT NULL,
	`number` smallint NOT NULL,
	`room_temp_c` decimal(6,2) NOT NULL,
	`flour_temp_c` decimal(6,2) NOT NULL,
	`tap_temp_c` decimal(6,2) NOT NULL,
	`preferment_temp_c` decimal(6,2),
	`friction_c` decimal(6,2) NOT NULL,
	`water_temp_c` decimal(6,2) NOT NULL,
	`dough_out_c` decimal(6,2),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `loads_house_id_lot_id_number_pk` PRIMARY KEY(`house_id`,`lot_id`,`number`)
);
--> statement-breakpoint
CREATE TABLE `lot_items` (
	`house_id` char(36) NOT NULL,
	`lot_id` char(36) NOT NULL,
	`product_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`position` smallint NOT NULL,
	`count` int NOT NULL,
	`ball_weight_g` decimal(12,3) NOT NULL,
	`trim_percent` decimal(8,4) NOT NULL,
	CONSTRAINT `lot_items_house_id_lot_id_product_id_pk` PRIMARY KEY(`house_id`,`lot_id`,`product_id`)
);
--> statement-breakpoint
CREATE TABLE `lots` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`code` varchar(20) NOT NULL,
	`service_date` date NOT NULL,
	`formula_id` char(36) NOT NULL,
	`route_id` char(36) NOT NULL,
	`mixer_id` char(36) NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`doors_at` datetime(3) NOT NULL,
	`close_at` datetime(3) NOT NULL,
	`note` varchar(500) NOT NULL DEFAULT '',
	`recipe` json NOT NULL,
	`active_key` varchar(100),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `lots_id` PRIMARY KEY(`id`),
	CONSTRAINT `lots_house` UNIQUE(`house_id`,`id`),
	CONSTRAINT `lots_active` UNIQUE(`house_id`,`active_key`)
);
--> statement-breakpoint
CREATE TABLE `marks` (
	`house_id` char(36) NOT NULL,
	`lot_id` char(36) NOT NULL,
	`load_number` smallint NOT NULL,
	`step_key` varchar(60) NOT NULL,
	`done_at` datetime(3),
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `marks_house_id_lot_id_load_number_step_key_pk` PRIMARY KEY(`house_id`,`lot_id`,`load_number`,`step_key`)
);
--> statement-breakpoint
CREATE TABLE `mixers` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`min_dough_g` decimal(12,3) NOT NULL,
	`max_dough_g` decimal(12,3) NOT NULL,
	`friction_c` decimal(6,2) NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `mixers_id` PRIMARY KEY(`id`),
	CONSTRAINT `mixers_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`name` varchar(80) NOT NULL,
	`initials` varchar(4) NOT NULL,
	`skills` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `people_id` PRIMARY KEY(`id`),
	CONSTRAINT `people_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `products` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`slug` varchar(60) NOT NULL,
	`name` varchar(120) NOT NULL,
	`position` smallint NOT NULL,
	`formula_id` char(36) NOT NULL,
	`route_id` char(36) NOT NULL,
	`ball_weight_g` decimal(12,3) NOT NULL,
	`trim_percent` decimal(8,4) NOT NULL,
	`balls_per_tray` smallint NOT NULL,
	`is_from_remainders` tinyint NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `products_id` PRIMARY KEY(`id`),
	CONSTRAINT `products_house` UNIQUE(`house_id`,`id`),
	CONSTRAINT `products_slug` UNIQUE(`house_id`,`slug`)
);
--> statement-breakpoint
CREATE TABLE `routes` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`name` varchar(120) NOT NULL,
	`stages` json NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `routes_id` PRIMARY KEY(`id`),
	CONSTRAINT `routes_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `service_patterns` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`weekday` tinyint NOT NULL,
	`start_min` smallint NOT NULL,
	`end_min` smallint NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `service_patterns_id` PRIMARY KEY(`id`),
	CONSTRAINT `service_patterns_house` UNIQUE(`house_id`,`id`)
);
--> statement-breakpoint
CREATE TABLE `shift_patterns` (
	`id` char(36) NOT NULL,
	`house_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`weekday` tinyint NOT NULL,
	`start_min` smallint NOT NULL,
	`end_min` smallint NOT NULL,
	`version` int NOT NULL DEFAULT 1,
	CONSTRAINT `shift_patterns_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `usual_counts` (
	`house_id` char(36) NOT NULL,
	`pattern_id` char(36) NOT NULL,
	`product_id` char(36) NOT NULL,
	`count` int NOT NULL,
	CONSTRAINT `usual_counts_house_id_pattern_id_product_id_pk` PRIMARY KEY(`house_id`,`pattern_id`,`product_id`)
);
--> statement-breakpoint
ALTER TABLE `chosen_counts` ADD CONSTRAINT `chosen_counts_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `chosen_counts` ADD CONSTRAINT `chosen_counts_pattern` FOREIGN KEY (`house_id`,`pattern_id`) REFERENCES `service_patterns`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `chosen_counts` ADD CONSTRAINT `chosen_counts_product` FOREIGN KEY (`house_id`,`product_id`) REFERENCES `products`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `formulas` ADD CONSTRAINT `formulas_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `formulas` ADD CONSTRAINT `formulas_mixer` FOREIGN KEY (`house_id`,`mixer_id`) REFERENCES `mixers`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `loads` ADD CONSTRAINT `loads_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `loads` ADD CONSTRAINT `loads_lot` FOREIGN KEY (`house_id`,`lot_id`) REFERENCES `lots`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot_items` ADD CONSTRAINT `lot_items_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot_items` ADD CONSTRAINT `lot_items_lot` FOREIGN KEY (`house_id`,`lot_id`) REFERENCES `lots`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot_items` ADD CONSTRAINT `lot_items_product` FOREIGN KEY (`house_id`,`product_id`) REFERENCES `products`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lots` ADD CONSTRAINT `lots_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lots` ADD CONSTRAINT `lots_formula` FOREIGN KEY (`house_id`,`formula_id`) REFERENCES `formulas`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lots` ADD CONSTRAINT `lots_route` FOREIGN KEY (`house_id`,`route_id`) REFERENCES `routes`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lots` ADD CONSTRAINT `lots_mixer` FOREIGN KEY (`house_id`,`mixer_id`) REFERENCES `mixers`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `marks` ADD CONSTRAINT `marks_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `marks` ADD CONSTRAINT `marks_lot` FOREIGN KEY (`house_id`,`lot_id`) REFERENCES `lots`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `mixers` ADD CONSTRAINT `mixers_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `people` ADD CONSTRAINT `people_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `products` ADD CONSTRAINT `products_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `products` ADD CONSTRAINT `products_formula` FOREIGN KEY (`house_id`,`formula_id`) REFERENCES `formulas`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `products` ADD CONSTRAINT `products_route` FOREIGN KEY (`house_id`,`route_id`) REFERENCES `routes`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `routes` ADD CONSTRAINT `routes_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `service_patterns` ADD CONSTRAINT `service_patterns_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shift_patterns` ADD CONSTRAINT `shift_patterns_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `shift_patterns` ADD CONSTRAINT `shift_patterns_person` FOREIGN KEY (`house_id`,`person_id`) REFERENCES `people`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `usual_counts` ADD CONSTRAINT `usual_counts_house_id_houses_id_fk` FOREIGN KEY (`house_id`) REFERENCES `houses`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `usual_counts` ADD CONSTRAINT `usual_counts_pattern` FOREIGN KEY (`house_id`,`pattern_id`) REFERENCES `service_patterns`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `usual_counts` ADD CONSTRAINT `usual_counts_product` FOREIGN KEY (`house_id`,`product_id`) REFERENCES `products`(`house_id`,`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `lots_by_date` ON `lots` (`house_id`,`service_date`);