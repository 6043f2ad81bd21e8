-- Advances of customers have suppliers' beside them now.
update crosswalk_row set code = 'CUSTOMER_ADVANCES' where kind = 'ROLE' and code = 'ADVANCES';
update crosswalk_history set code = 'CUSTOMER_ADVANCES' where kind = 'ROLE' and code = 'ADVANCES';
