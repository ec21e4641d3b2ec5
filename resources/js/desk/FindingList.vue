<script
    setup
    lang="ts"
    generic="
        Finding extends { kind: string; severity: 'hint' | 'warning' | 'serious'; at: string; reason: string; remedy: { action: string; label: string } | null }
    "
>
import { inject } from 'vue';
import { INTENDED } from './intended';

/** What is wrong in a bar, each with its one action where there is one; and what the teacher means so. */
defineProps<{ findings: readonly Finding[] }>();
defineEmits<{ mend: [finding: Finding] }>();

const intended = inject(INTENDED, null);

const SEVERITY = { hint: 'Hint', warning: 'Take care', serious: 'Serious' } as const;
</script>

<template>
    <section>
        <h3>Findings</h3>
        <p v-if="findings.length === 0" class="quiet">Nothing to mend here.</p>
        <article v-for="finding in findings" :key="finding.kind + finding.at + finding.reason" :class="['finding', finding.severity]">
            <p>
                <span class="severity">{{ SEVERITY[finding.severity] }}</span> {{ finding.reason }}
            </p>
            <div class="row">
                <a-button v-if="finding.remedy" size="small" @click="$emit('mend', finding)">{{ finding.remedy.label }}</a-button>
                <a-button
                    v-if="intended"
                    size="small"
                    type="text"
                    title="Not said again, here and in bars like this one"
                    @click="intended.intend(finding.kind)"
                >
                    I mean it so
                </a-button>
            </div>
        </article>
        <p v-for="mark in intended?.here ?? []" :key="mark.id" class="quiet">
            Meant so{{ mark.measures.length > 1 ? `, in ${mark.measures.length} bars` : '' }}: {{ mark.finding.replaceAll('-', ' ') }}
            <a-button size="small" type="link" @click="intended?.sayAgain(mark)">say it again</a-button>
        </p>
    </section>
</template>

<style scoped>
p {
    margin: 0;
}

.row {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
}
</style>
