#!/bin/sh
# Asked by haproxy about one node: 0 when it belongs to the majority, has caught up and takes statements. It signs in as galera_check, which may
# look at nothing: create user galera_check@'%';
state=$(mariadb --no-defaults --protocol=tcp --host="$HAPROXY_SERVER_ADDR" --port="$HAPROXY_SERVER_PORT" \
    --user=galera_check --connect-timeout=2 --batch --skip-column-names --execute="
        select group_concat(variable_value order by variable_name separator ' ')
        from information_schema.global_status
        where variable_name in ('wsrep_cluster_status', 'wsrep_local_state_comment', 'wsrep_ready')")
[ "$state" = "Primary Synced ON" ]
