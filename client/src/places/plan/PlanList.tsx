// Trees with open findings and what they ask for.
import { openDecisions, type SiteToday, standingCuts, type TreeView } from '../../data/orchardView';
import { useOpenViews } from '../../data/useOpenViews';
import { Row, Rows } from '../../ui/Row';
import { Aside, Screen } from '../../ui/Screen';
import { Body, Small } from '../../ui/type';
import { Waiting } from '../../ui/Waiting';
import { disorderWords, handedOver, plural } from '../words';

export function PlanList({ openId }: { openId?: string }) {
  const { open, error, refetch } = useOpenViews();
  if (!open) return <Waiting title="Plan" beside error={error} onRetry={refetch} />;
  const { today, views } = open;
  const cuts = views.flatMap(standingCuts).length;
  return (
    <Screen
      title="Plan"
      subtitle="Trees with open findings"
      beside
      aside={<Aside figure={plural(cuts, 'cut')} caption={`on ${plural(views.length, 'tree')}`} />}
    >
      {views.length === 0 ? (
        <Body>Nothing is open. What you mark in Round stands here with its cut and its reason.</Body>
      ) : null}
      <Rows>
        {views.map((view) => (
          <Row
            key={view.tree.id}
            href={`/plan/${view.tree.id}`}
            {...(view.tree.id === openId
              ? { bar: 'open' as const }
              : view.tree.hazards.length > 0
                ? { bar: 'danger' as const }
                : {})}
            title={view.tree.code}
            detail={disorderWords(view.findings)}
            aside={asideOf(view)}
          />
        ))}
      </Rows>
      <SeasonLine today={today} />
    </Screen>
  );
}

function asideOf(view: TreeView): string {
  const cuts = standingCuts(view).length;
  const own = cuts - handedOver(view).length;
  return [
    ...(own > 0 ? [plural(own, 'cut')] : []),
    ...(own < cuts ? ['hand over'] : []),
    ...(openDecisions(view).length > 0 ? ['decide'] : []),
  ].join(', ');
}

function SeasonLine({ today }: { today: SiteToday }) {
  const said = { dormant: 'dormant', bloom: 'bud to petal fall', summer: 'summer', autumn: 'autumn' }[
    today.season
  ];
  return (
    <Small>
      Clearances for the {said === 'dormant' ? 'dormant season' : `growing season (${said})`},{' '}
      {today.site.season ? 'set by hand' : 'by the calendar'}.
    </Small>
  );
}
