import { TestBed } from '@angular/core/testing';
import { Store, provideStore } from '@ngrx/store';
import { of, throwError } from 'rxjs';
import { Api } from '../api/api';
import { Items } from '../state/items.actions';
import { itemsReducer } from '../state/items.reducer';
import { CopyToOwn } from './copy-to-own';

describe('a thing of the demo crew’s, copied', () => {
  const copyToOwn = jest.fn();
  const actsOf = () => {
    TestBed.configureTestingModule({
      providers: [provideStore({ items: itemsReducer }), { provide: Api, useValue: { copyToOwn } }],
    });
    return TestBed.inject(CopyToOwn).acts('rigs', () => 'r1', () => '/rigs/r1'); // prettier-ignore
  };
  afterEach(() => history.replaceState(null, '', '/'));

  it('is offered there, and not for what is one’s own', () => {
    expect(actsOf()).toEqual([]);
    history.replaceState(null, '', '/demo/rigs/r1');
    expect(TestBed.inject(CopyToOwn).acts('rigs', () => 'r1', () => '').map(({ title }) => title)).toEqual(['Copy to my kit']); // prettier-ignore
  });

  it('is asked for by what it is, and a refusal is told', () => {
    history.replaceState(null, '', '/demo/rigs/r1');
    const [act] = actsOf();
    const problem = { code: 'not-found', title: 'Not found', detail: '', remedy: '' };
    copyToOwn.mockReturnValue(throwError(() => problem));
    const dispatch = jest.spyOn(TestBed.inject(Store), 'dispatch');
    act!.do();
    expect(copyToOwn).toHaveBeenCalledWith('rigs', 'r1');
    expect(dispatch).toHaveBeenCalledWith(Items.actFailed({ problem }));
    copyToOwn.mockReturnValue(of());
    dispatch.mockClear();
    act!.do();
    expect(dispatch).not.toHaveBeenCalled();
  });
});
